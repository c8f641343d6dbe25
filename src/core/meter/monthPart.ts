import type { Charge } from './charge.ts'

/**
 * What a month was paid for, as a person reads it. `kept`: disks, snapshots, addresses and memory on disk, whatever the
 * machine does. `asked`: machine time and licences while the machine runs in the hours of its week, the minutes in which
 * it is started early among them, and traffic and operations by that share of the time in which it runs. `leak`: the same
 * in time that nobody asked for: left on, off but charged, bound and not used, coming back with what is restored for
 * it, going off, and what minimums and begun hours add.
 */
export const MONTH_PARTS = ['kept', 'asked', 'leak'] as const
export type MonthPart = (typeof MONTH_PARTS)[number]

/**
 * `time` is asked for or leaks, second by second, and so is what is expected while it runs, evenly over that; all else
 * belongs to one part whole.
 */
export function partOfCharge({ meter, subject }: Pick<Charge, 'meter' | 'subject'>): MonthPart | 'time' {
  if (subject.of === 'disk-operations') return 'time'
  switch (meter) {
    case 'compute':
    case 'commitment':
    case 'licence':
    case 'traffic':
      return 'time'
    case 'minimum':
    case 'restore':
      return 'leak'
    default:
      return 'kept'
  }
}
