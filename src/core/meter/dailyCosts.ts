import { civilDate, dayNumber, type DayNumber } from '../calendar/civil.ts'
import { localToInstant, offsetAt, zoneOffsets } from '../calendar/zoneOffsets.ts'
import type { Phase } from '../power/powerState.ts'
import { clipSegments, secondsByPhase } from '../power/timeline.ts'
import { add, multiply, divide, exact, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, lengthOf, SECONDS_PER_DAY, type Seconds, type Span } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import type { ChargedRun } from './chargedRuns.ts'
import type { Estimate } from './estimateMachine.ts'
import { stateRow, type MeteredMonth } from './meteredMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'

/** One local day's share of the month. Days sum exactly to the month's total. */
export interface DailyCost {
  readonly day: DayNumber
  /** The part of the day that lies in the billing month; 23 or 25 hours where clocks change. */
  readonly span: Span
  /** Compute and licence. */
  readonly machineTime: Exact
  /** Disks, address, memory image: what remains when off. */
  readonly floor: Exact
  readonly phases: ReadonlyMap<Phase, Seconds>
}

/**
 * The month by local days of `timeZone`. Where the provider's month begins in another zone, the first and the last
 * day are parts of a day. What rounding adds to a run falls on the day on which the run ends.
 */
export function dailyCosts(estimate: Estimate, book: PriceBook, timeZone: string): DailyCost[] {
  const { metered, charges } = estimate
  return localDays(estimate.month, timeZone).map(({ day, span }) => {
    let machineTime = ZERO
    let floor = ZERO
    for (const charge of charges) {
      const part = shareOf(charge, timeInSpan(charge, metered, book, span))
      if (charge.meter === 'compute' || charge.meter === 'licence') machineTime = add(machineTime, part)
      else floor = add(floor, part)
    }
    return { day, span, machineTime, floor, phases: secondsByPhase(metered.timeline.segments, span) }
  })
}

const shareOf = (charge: Charge, time: number): Exact =>
  charge.time === 0 ? ZERO : divide(multiply(charge.amount, exact(time)), exact(charge.time))

/** The charged seconds of `charge` that fall inside `span`. */
function timeInSpan(charge: Charge, metered: MeteredMonth, book: PriceBook, span: Span): number {
  const { subject } = charge
  if (subject.of === 'size') return runTime(metered.computeRuns, span)
  if (subject.of === 'licence') return runTime(metered.licenceRuns, span)
  let time = 0
  for (const segment of clipSegments(metered.timeline.segments, span)) {
    const row = stateRow(book, segment.phase)
    const runs =
      subject.of === 'disk'
        ? row.disks
        : subject.of === 'memory'
          ? row.memoryImage
          : row.address === subject.use
    if (runs) time += lengthOf(segment)
  }
  return time
}

function runTime(runs: readonly ChargedRun[], span: Span): number {
  let time = 0
  for (const run of runs) {
    time += Math.max(0, Math.min(run.to, span.to) - Math.max(run.from, span.from))
    if (run.to > span.from && run.to <= span.to) time += run.added
  }
  return time
}

function localDays(month: Span, timeZone: string): { day: DayNumber; span: Span }[] {
  const year = civilDate(dayNumber(Math.floor(month.from / SECONDS_PER_DAY))).year
  const zone = zoneOffsets(timeZone, year - 1, year + 1)
  const days: { day: DayNumber; span: Span }[] = []
  let day = Math.floor((month.from + offsetAt(zone, month.from)) / SECONDS_PER_DAY)
  for (let from = month.from; from < month.to; day += 1) {
    const next = localToInstant(zone, (day + 1) * SECONDS_PER_DAY)
    const to = instant(Math.min(next, month.to))
    if (to > from) {
      days.push({ day: dayNumber(day), span: { from, to } })
      from = to
    }
  }
  return days
}
