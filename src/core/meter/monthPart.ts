import type { Charge } from './charge.ts'

/**
 * What a month was paid for, as a person reads it. `kept`: disks, snapshots, addresses and memory on disk, whatever the
 * machine does. `asked`: machine time and licences while the machine runs in the hours of its week, and what is expected
 * to happen then. `leak`: the same in time that nobody asked for: left on, off but charged, bound and not used, coming
 * back, going off, and what minimums and begun hours add.
 */
export const MONTH_PARTS = ['kept', 'asked', 'leak'] as const
export type MonthPart = (typeof MONTH_PARTS)[number]

/** `time` is asked for or leaks, second by second; all else belongs to one part whole. */
export function partOfCharge({ meter, subject }: Pick<Charge, 'meter' | 'subject'>): MonthPart | 'time' {
  if (subject.of === 'disk-operations') return 'asked'
  switch (meter) {
    case 'compute':
    case 'commitment':
    case 'licence':
      return 'time'
    case 'traffic':
      return 'asked'
    case 'minimum':
      return 'leak'
    default:
      return 'kept'
  }
}
