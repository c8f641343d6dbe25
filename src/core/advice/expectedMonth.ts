import { shutdownAfter } from '../calendar/autoShutdown.ts'
import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { Habits, IdleRule } from '../calendar/habits.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { lifeOf, type Life } from '../machine/life.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { chargedTotal } from '../meter/machineTotal.ts'
import { meterMachine, meterOn } from '../meter/meterMachine.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { spansAround } from '../power/monthTimeline.ts'
import { isNeverOff, LONGEST_GAP_DAYS } from '../off/offPlan.ts'
import { add, compare, divide, exact, multiply, subtract, type Exact } from '../quantity/exact.ts'
import { instant, lengthOf, SECONDS_PER_DAY, type Instant, type Span } from '../quantity/units.ts'

/** A month of a machine that people switch by hand, in the currency of its price book: a guess, not the plan. */
export interface ExpectedMonth {
  readonly low: Exact
  readonly expected: Exact
  readonly high: Exact
}

/**
 * Low: started as late as may be, and never forgotten. High: started as early as may be, and forgotten each time that
 * it can be, until it is next wanted, an auto-shutdown or the idle rule. Expected: started on time, with as large a
 * share of what forgetting each time costs as is forgotten; exact where what one gap costs does not hang on others, as
 * it does a little with rebates and shared hours. Undefined for a machine that is never off, or has no price.
 */
export function expectedMonth(
  resolved: ResolvedMachine,
  month: BillingMonth,
  habits: Habits,
  shared?: SharedAccount,
): ExpectedMonth | undefined {
  const { machine, week, index } = resolved
  if (isNeverOff(machine) || lackedState(machine, index.book)) return undefined
  const life = lifeOf(machine, week)
  const on = withinLife(spansOf(resolved, month), life)
  const { forgottenPercent, idle } = habits
  const spread = habits.spreadMinutes * 60
  const costOf = (spans: readonly Span[]): Exact | undefined => {
    const total = chargedTotal(resolved, meterOn(resolved, spans, month), month, shared)
    return total.ok ? total.value : undefined
  }
  const used = (spans: readonly Span[]): Span[] => without(spans, unusedIn(spans, idle))
  const forgotten = (spans: readonly Span[]): Span[] =>
    without(leftOn(spans, week, idle, life.to), unusedIn(spans, idle))
  const usual = costOf(used(on))
  const always = costOf(forgotten(on))
  const late = costOf(used(startedAfter(on, spread)))
  const early = startedAfter(on, -spread)
  const worst = costOf(forgottenPercent > 0 ? forgotten(early) : used(early))
  if (!usual || !always || !late || !worst) return undefined
  const share = divide(exact(forgottenPercent), exact(100))
  const expected = add(usual, multiply(share, subtract(always, usual)))
  // Begun hours and minimums can make a later start dearer than an earlier one.
  const all = [late, expected, worst].sort(compare)
  return { low: all[0]!, expected, high: all[2]! }
}

const REACH = { back: LONGEST_GAP_DAYS * SECONDS_PER_DAY, ahead: LONGEST_GAP_DAYS * SECONDS_PER_DAY }

/** So far around the month that the stop before it can be forgotten, and that it is known when a run began. */
function spansOf(resolved: ResolvedMachine, month: BillingMonth): Span[] {
  const near = spansAround(resolved.week, month, REACH)
  const earlier = meterMachine(resolved, month).timeline.on.filter(
    ({ to }) => to < (near[0]?.from ?? Infinity),
  )
  return [...earlier, ...near]
}

/** A night before there is a machine, or after, is forgotten by nobody. */
const withinLife = (on: readonly Span[], { from, to }: Life): Span[] =>
  on.flatMap((span) =>
    span.to > from && span.from < to
      ? [{ from: instant(Math.max(span.from, from)), to: instant(Math.min(span.to, to)) }]
      : [],
  )

/** Spans that begin so many seconds later, or earlier; in order and apart. */
function startedAfter(on: readonly Span[], seconds: number): Span[] {
  const moved: Span[] = []
  for (const { from, to } of on) {
    const start = instant(from + seconds)
    const last = moved.at(-1)
    if (last && start <= last.to) moved[moved.length - 1] = { from: last.from, to }
    else if (start < to) moved.push({ from: start, to })
  }
  return moved
}

/** Each stop forgotten: on until the next start, the first auto-shutdown, or the idle rule, whatever comes first. */
function leftOn(on: readonly Span[], week: WeekPlan, idle: IdleRule | undefined, gone: Instant): Span[] {
  const filled: Span[] = []
  for (const [i, span] of on.entries()) {
    const next = on[i + 1]?.from ?? gone
    // What an auto-shutdown ends is not forgotten.
    const shut = shutdownAfter(week, instant(span.to - 1)) ?? Infinity
    const idleAt = idle ? span.to + idle.afterMinutes * 60 : Infinity
    const until = Math.min(next, shut, idleAt)
    const to = until === Infinity ? span.to : instant(until)
    const last = filled.at(-1)
    if (last && last.to >= span.from) filled[filled.length - 1] = { from: last.from, to }
    else filled.push({ from: span.from, to })
  }
  return filled
}

/** What the idle rule switches off in the middle of each span: what is unused beyond its waiting time. */
function unusedIn(on: readonly Span[], idle: IdleRule | undefined): Span[] {
  if (!idle) return []
  return on.flatMap((span): Span[] => {
    const unused = Math.min(idle.unusedMinutes * 60, lengthOf(span))
    const off = unused - idle.afterMinutes * 60
    const from = instant(span.from + Math.floor((lengthOf(span) - off) / 2))
    return off > 0 ? [{ from, to: instant(from + off) }] : []
  })
}

/** Both in order and apart; each of `less` lies within one of the spans. */
function without(on: readonly Span[], less: readonly Span[]): Span[] {
  return on.flatMap((span) => {
    const parts: Span[] = []
    let { from } = span
    for (const gap of less.filter((each) => each.from >= span.from && each.to <= span.to)) {
      if (gap.from > from) parts.push({ from, to: gap.from })
      from = gap.to
    }
    return from < span.to ? [...parts, { from, to: span.to }] : parts
  })
}
