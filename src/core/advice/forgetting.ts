import { shutdownAfter } from '../calendar/autoShutdown.ts'
import type { BillingMonth } from '../calendar/billingMonth.ts'
import { lifeOf } from '../machine/life.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { chargedTotal } from '../meter/machineTotal.ts'
import { meterMachine, meterOn } from '../meter/meterMachine.ts'
import type { MeteredMonth } from '../meter/meteredMonth.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { isNeverOff } from '../off/offPlan.ts'
import { subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { instant, lengthOf, SECONDS_PER_HOUR, type Instant, type Span } from '../quantity/units.ts'

/** What it costs to leave a machine on once, when its plan says to switch it off. */
export interface Forgetting {
  readonly what: 'night' | 'weekend' | 'rest-of-month'
  /** From the stop that is forgotten to the next start, or to the end of the month. */
  readonly from: Instant
  readonly to: Instant
  /** On top of the planned month, in the currency of its price book. Below zero where staying on is cheaper. */
  readonly cost: Exact
  /** The same where an auto-shutdown ends it before. */
  readonly bounded?: { readonly to: Instant; readonly cost: Exact }
}

const SHORTEST_NIGHT = 4 * SECONDS_PER_HOUR
const LONGEST_NIGHT = 24 * SECONDS_PER_HOUR
const LONGEST_WEEKEND = 96 * SECONDS_PER_HOUR

/**
 * The first night and the first weekend of the month, and everything after its first stop, each as the month with that
 * gap left on less the month as planned: by the one meter, with minimums, begun hours, rebates and free hours. What the
 * plan has no such gap for is left out; nothing for a machine that is never switched off, or has no price.
 */
export function forgetting(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): Forgetting[] {
  const { machine, index } = resolved
  if (isNeverOff(machine) || lackedState(machine, index.book)) return []
  const total = (metered: MeteredMonth): Exact | undefined => {
    const total = chargedTotal(resolved, metered, month, shared)
    return total.ok ? total.value : undefined
  }
  const metered = meterMachine(resolved, month)
  const life = lifeOf(machine, resolved.week)
  const on = metered.timeline.on.filter(({ from, to }) => to > life.from && from < life.to)
  const planned = total(metered)
  if (!planned) return []
  const costOf = (gap: Span): Exact | undefined => {
    const left = total(meterOn(resolved, fill(on, gap), month))
    return left && subtract(left, planned)
  }
  const gaps = gapsOf(on).filter(({ from, to }) => from >= month.from && to <= month.to)
  const between = (least: number, most: number): Span | undefined =>
    gaps.find((gap) => lengthOf(gap) >= least && lengthOf(gap) < most)
  const stop = on.find(({ to }) => to >= month.from && to < Math.min(month.to, life.to))?.to
  const cases: readonly [Forgetting['what'], Span | undefined][] = [
    ['night', between(SHORTEST_NIGHT, LONGEST_NIGHT)],
    ['weekend', between(LONGEST_NIGHT, LONGEST_WEEKEND)],
    ['rest-of-month', stop !== undefined ? { from: stop, to: month.to } : undefined],
  ]
  return cases.flatMap(([what, gap]): Forgetting[] => {
    const cost = gap && costOf(gap)
    if (!cost) return []
    // What was ended by an auto-shutdown is ended by it whoever forgets.
    const to = shutdownAfter(resolved.week, instant(gap.from - 1))
    const least =
      to !== undefined && to < gap.to ? (to > gap.from ? costOf({ from: gap.from, to }) : ZERO) : undefined
    return [{ what, ...gap, cost, ...(least && { bounded: { to: to!, cost: least } }) }]
  })
}

const gapsOf = (on: readonly Span[]): Span[] =>
  on.slice(1).map(({ from }, i) => ({ from: on[i]!.to, to: from }))

/** The spans with a gap filled: those that touch it become one. */
function fill(on: readonly Span[], gap: Span): Span[] {
  const touching = on.filter(({ from, to }) => to >= gap.from && from <= gap.to)
  const ends = [gap, ...touching]
  const from = ends.reduce((least, span) => (span.from < least ? span.from : least), gap.from)
  const to = ends.reduce((most, span) => (span.to > most ? span.to : most), gap.to)
  return [
    ...on.filter((span) => span.to < gap.from),
    { from, to },
    ...on.filter((span) => span.from > gap.to),
  ]
}
