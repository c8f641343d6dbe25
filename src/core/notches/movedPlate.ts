import { subtract } from '../quantity/exact.ts'
import type { Notch, Plate } from './plate.ts'

/**
 * A plate after one of its own choices has been taken: the totals stay, since each is that of the machine with that one
 * choice; only what is present and the differences change. What another machine brings, as reasons and folds, is as it
 * was. O(notches), so that what the hand moves need not wait for the other plates. Undefined where the choice has no
 * price, and for data disks, whose plates come and go with what is chosen.
 */
export function movedPlate(plate: Plate, taken: Notch): Plate | undefined {
  const { total: now } = taken
  if (!now || plate.decision === 'data-disk' || plate.decision === 'new-disk') return undefined
  const notches = plate.notches.map((notch): Notch => ({
    ...notch,
    isPresent: notch.key === taken.key,
    difference: notch.total && subtract(notch.total, now),
  }))
  return { ...plate, notches, present: notches.findIndex(({ isPresent }) => isPresent) }
}
