import type { AddressUse, PriceBook, StateRow } from '../catalogue/priceBook.ts'
import { STATE_OF_PHASE, type Phase } from '../power/powerState.ts'
import type { MonthTimeline } from '../power/monthTimeline.ts'
import { clipSegments, secondsByPhase } from '../power/timeline.ts'
import { lengthOf, seconds, type Seconds } from '../quantity/units.ts'
import { chargedRuns, chargedTime, type ChargedRun, type ChargedTime } from './chargedRuns.ts'

/** How long each meter ran in a month, before any rate: the same for every size and place of one provider. */
export interface MeteredMonth {
  readonly timeline: MonthTimeline
  readonly phases: ReadonlyMap<Phase, Seconds>
  readonly computeRuns: readonly ChargedRun[]
  readonly compute: ChargedTime
  readonly licenceRuns: readonly ChargedRun[]
  readonly licence: ChargedTime
  readonly disks: Seconds
  readonly memoryImage: Seconds
  readonly address: ReadonlyMap<Exclude<AddressUse, 'none'>, Seconds>
}

const memo = new WeakMap<MonthTimeline, WeakMap<PriceBook, MeteredMonth>>()

/** Which meters run in which phase is read from the book's state table. Throws on a state the book does not have. */
export function meteredMonth(timeline: MonthTimeline, book: PriceBook): MeteredMonth {
  let ofTimeline = memo.get(timeline)
  if (!ofTimeline) memo.set(timeline, (ofTimeline = new WeakMap()))
  let metered = ofTimeline.get(book)
  if (!metered) ofTimeline.set(book, (metered = measure(timeline, book)))
  return metered
}

export function stateRow(book: PriceBook, phase: Phase): StateRow {
  const row = book.states[STATE_OF_PHASE[phase]]
  if (!row) throw new RangeError(`${book.provider.name} has no state ${STATE_OF_PHASE[phase]}`)
  return row
}

function measure(timeline: MonthTimeline, book: PriceBook): MeteredMonth {
  const runsOf = (meter: 'compute' | 'licence'): ChargedRun[] =>
    chargedRuns(timeline, (phase) => stateRow(book, phase)[meter], book.billing)
  const computeRuns = runsOf('compute')
  const licenceRuns = runsOf('licence')
  const address = new Map<Exclude<AddressUse, 'none'>, Seconds>()
  let disks = 0
  let memoryImage = 0
  for (const segment of clipSegments(timeline.segments, timeline.month)) {
    const row = stateRow(book, segment.phase)
    const time = lengthOf(segment)
    if (row.disks) disks += time
    if (row.memoryImage) memoryImage += time
    if (row.address !== 'none') address.set(row.address, seconds((address.get(row.address) ?? 0) + time))
  }
  return {
    timeline,
    phases: secondsByPhase(timeline.segments, timeline.month),
    computeRuns,
    compute: chargedTime(computeRuns, book.billing),
    licenceRuns,
    licence: chargedTime(licenceRuns, book.billing),
    disks: seconds(disks),
    memoryImage: seconds(memoryImage),
    address,
  }
}
