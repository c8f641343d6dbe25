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
    'Machine time and licences while it runs in the hours of its week and in the minutes in which it is started early, and its share of traffic and disk operations.',
  leak: 'The same that nobody asked for: left on, off but charged, bound and unused, coming back and what is restored for it, going off, begun hours.',
  saved: 'What it would cost more if nothing were ever switched off.',
} as const satisfies Record<MonthPart | 'saved', string>
