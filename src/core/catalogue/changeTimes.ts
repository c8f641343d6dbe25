import type { OffState } from '../off/powerState.ts'
import type { ChangeTimes } from '../power/timeline.ts'
import { exactNumber } from '../quantity/decimal.ts'
import { add, multiply } from '../quantity/exact.ts'
import { seconds, type GiB, type Seconds } from '../quantity/units.ts'
import type { PriceBook, StateRow } from './priceBook.ts'

const NO_TIME: ChangeTimes = { leave: seconds(0), return: seconds(0) }

const timeFor = (change: StateRow['leave'], memory: GiB, restored: number): Seconds => {
  if (!change) return seconds(0)
  const { secondsPerGiB = 0, secondsPerRestoredGiB = 0 } = change
  if (Number.isInteger(secondsPerGiB) && Number.isInteger(secondsPerRestoredGiB)) {
    return seconds(Math.ceil(change.seconds + secondsPerGiB * memory + secondsPerRestoredGiB * restored))
  }
  // In binary 0.1 x 30 is a little over 3, which would begin a fourth second.
  const { n, d } = add(
    multiply(exactNumber(secondsPerGiB), exactNumber(memory)),
    multiply(exactNumber(secondsPerRestoredGiB), exactNumber(restored)),
  )
  return seconds(change.seconds + Number((n + d - 1n) / d))
}

/**
 * How long a machine with this memory takes to go off and come back, bringing back `restoredGiB` from a snapshot where
 * it was deleted; begun seconds count whole.
 */
export function changeTimes(book: PriceBook, off: OffState, memory: GiB, restoredGiB = 0): ChangeTimes {
  const row = book.states[off]
  if (!row || off === 'running') return NO_TIME
  return {
    leave: timeFor(row.leave, memory, 0),
    return: timeFor(row.return, memory, off === 'deleted' ? restoredGiB : 0),
  }
}
