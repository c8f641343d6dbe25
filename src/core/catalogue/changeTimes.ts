import type { OffState } from '../power/powerState.ts'
import type { ChangeTimes } from '../power/timeline.ts'
import { seconds, type GiB, type Seconds } from '../quantity/units.ts'
import type { PriceBook, StateRow } from './priceBook.ts'

const NO_TIME: ChangeTimes = { leave: seconds(0), return: seconds(0) }

const timeFor = (change: StateRow['leave'], memory: GiB, restored: number): Seconds =>
  seconds(
    change
      ? Math.ceil(
          change.seconds +
            (change.secondsPerGiB ?? 0) * memory +
            (change.secondsPerRestoredGiB ?? 0) * restored,
        )
      : 0,
  )

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
