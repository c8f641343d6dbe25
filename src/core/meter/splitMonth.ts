import { weekSpans } from '../calendar/weekSpans.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { keptFor } from '../keptFor.ts'
import type { PricedMachine } from './planPricing.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, lengthOf, type Span } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import { chargeMachine } from './chargeMachine.ts'
import { amountOf } from './makeCharge.ts'
import { meteredCutAt, type MeteredMonth } from './meteredMonth.ts'
import type { Piece } from './pieces.ts'

/** What a charge is for, as a person reads a month. */
export const MONTH_PARTS = ['kept', 'asked', 'leak'] as const
export type MonthPart = (typeof MONTH_PARTS)[number]

/**
 * A month by what it was paid for. `kept`: disks, snapshots, addresses and memory on disk, whatever the machine does.
 * `asked`: machine time and licences while the machine runs in the hours of its week, and what is expected to happen
 * then. `leak`: the same in time that nobody asked for: left on, off but charged, bound and not used, coming back, going
 * off, and what minimums and begun hours add. The three add up to the month; `saved` is what is missing to always on.
 */
export type MonthSplit = Readonly<Record<MonthPart | 'saved', Exact>>

/** What of a charge belongs to which part; they add up to its amount. */
export type ChargeSplit = Readonly<Record<MonthPart, Exact>>

/** O(charges), and O(pieces) where a threshold falls among them. */
export function splitMonth(priced: PricedMachine): MonthSplit {
  const { estimate } = priced
  const split: Record<MonthPart, Exact> = { kept: ZERO, asked: ZERO, leak: ZERO }
  for (const part of splitCharges(priced)) {
    for (const name of MONTH_PARTS) split[name] = add(split[name], part[name])
  }
  return { ...split, saved: subtract(estimate.alwaysOn, estimate.total) }
}

/** Charge by charge, in the order of the estimate's. */
export function splitCharges({ resolved, month, estimate, account }: PricedMachine): ChargeSplit[] {
  const { charges, metered } = estimate
  const spans = askedSpans(metered, resolved.week)
  const seconds = spans.reduce((sum, span) => sum + lengthOf(span), 0)
  let finely: readonly Charge[] | undefined
  const cutFinely = (): readonly Charge[] => {
    const cut = meteredCutAt(metered.timeline, resolved.index.book, spans)
    const found = chargeMachine(resolved, cut, month, account.planned)
    if (!found.ok) throw new RangeError('a month that has charges lost them when it was cut')
    return found.value
  }
  return charges.map((charge, i): ChargeSplit => {
    const part = partOf(charge)
    if (part !== 'time') return { kept: ZERO, asked: ZERO, leak: ZERO, [part]: charge.amount }
    const { pieces, ticksPerSecond } = charge
    const isWhole = pieces.ticks === wholeOf(charge, metered) * ticksPerSecond
    const ticks = isWhole
      ? Math.min(pieces.ticks, seconds * ticksPerSecond)
      : askedTicks((finely ??= cutFinely())[i]!.pieces.list, spans)
    const asked = amountOf(charge, ticks)
    return { kept: ZERO, asked, leak: subtract(charge.amount, asked) }
  })
}

/** Time is asked for or not; all else is one or the other as a whole. */
function partOf({ meter, subject }: Charge): MonthPart | 'time' {
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

/** Charged seconds of a charge's meter before any threshold cut them. */
const wholeOf = ({ meter, subject }: Charge, metered: MeteredMonth): number =>
  meter === 'commitment' || subject.of === 'up-front'
    ? metered.always.ticks
    : meter === 'licence'
      ? metered.licence.pieces.ticks
      : metered.compute.pieces.ticks

/** Pieces lie in one of the spans whole, or outside. What rounding added was never asked for. */
function askedTicks(pieces: readonly Piece[], spans: readonly Span[]): number {
  let i = 0
  let ticks = 0
  for (const piece of pieces) {
    while (i < spans.length && spans[i]!.to <= piece.from) i += 1
    if (i < spans.length && spans[i]!.from <= piece.from) ticks += piece.ticks - piece.added
  }
  return ticks
}

/** When the machine runs in the hours of its week: all of these within the month, in order. */
const askedSpans = (metered: MeteredMonth, week: WeekPlan): readonly Span[] => spansOf(metered)(week)

const spansOf = keptFor((metered: MeteredMonth) =>
  keptFor((week: WeekPlan): readonly Span[] => {
    const { month, segments } = metered.timeline
    const windows = weekSpans(week, month)
    const spans: Span[] = []
    let i = 0
    for (const { phase, from, to } of segments) {
      if (phase !== 'running') continue
      while (i < windows.length && windows[i]!.to <= from) i += 1
      for (let at = i; at < windows.length && windows[at]!.from < to; at += 1) {
        const span = {
          from: instant(Math.max(from, windows[at]!.from, month.from)),
          to: instant(Math.min(to, windows[at]!.to, month.to)),
        }
        if (span.to > span.from) spans.push(span)
      }
    }
    return spans
  }),
)
