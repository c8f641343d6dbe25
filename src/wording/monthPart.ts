import type { MonthPart } from '../core/meter/monthPart.ts'

export const PART_NAMES = {
  kept: 'Kept',
  asked: 'Asked for',
  leak: 'Leak',
} as const satisfies Record<MonthPart, string>

/** What each part of a month is, a sentence each. */
export const PART_MEANINGS = {
  kept: 'Charged whatever the machine does: disks, snapshots, addresses, memory on disk.',
  asked:
    'Machine time and licences in the hours of its week, early starts among them, and that share of traffic and disk operations.',
  leak: 'The same that nobody asked for: left on, off but charged, bound and unused, coming back with what is restored, going off, begun hours.',
  saved: 'What it would cost more if nothing were ever switched off.',
} as const satisfies Record<MonthPart | 'saved', string>
