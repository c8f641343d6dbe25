import type { BillingMonth } from '../calendar/billingMonth.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { chargedTotal } from '../meter/machineTotal.ts'
import { meterOn } from '../meter/meterMachine.ts'
import { withOff } from '../machine/whenOff.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { LONGEST_GAP_DAYS } from '../off/offPlan.ts'
import { POWER_STATES, type OffState, type TrueOffState } from '../off/powerState.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import { instant, SECONDS_PER_DAY } from '../quantity/units.ts'

/** From which length of a gap a state costs less than staying on; undefined where it never does within the longest. */
interface PayingLength {
  readonly off: TrueOffState
  readonly fromMinutes: number | undefined
  /** False where the machine cannot be off in this way, or may not by its needs. */
  readonly willDo: boolean
}

/** The state that costs least in gaps of at least `fromMinutes`, up to the next. */
interface CheapestLength {
  readonly off: OffState
  readonly fromMinutes: number
}

export interface PayingLengths {
  readonly ways: readonly PayingLength[]
  /** Of the ways that will do, shortest gaps first; the first from 1 minute on. */
  readonly cheapest: readonly CheapestLength[]
  readonly longestMinutes: number
}

const LONGEST_MINUTES = LONGEST_GAP_DAYS * 24 * 60
/** The gap begins here, so that even the longest ends within the month. */
const BEGINS_AFTER = 2 * SECONDS_PER_DAY

/**
 * One gap in a month that is otherwise on, and that no auto-shutdown begins, priced in every state by the one meter:
 * going off and coming back, minimums, begun hours, memory on disk, restoring. What a state costs over a longer gap
 * grows or falls at steady rates, so each length is found by halving: O(states² × log length) months.
 */
export function payingLengths(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared?: SharedAccount,
): PayingLengths {
  const { states } = resolved.index.book
  const { autoShutdown: _, ...week } = resolved.week
  const alone = { ...resolved, week }
  const costs = POWER_STATES.filter((off) => states[off]).map((off) => ({
    off,
    cost: gapCost(withOff(alone, off), month, shared),
    willDo: off === 'running' || fitReasons(withOff(alone, off), 'off').length === 0,
  }))
  const running = costs[0]!.cost
  const ways = costs.flatMap(({ off, cost, willDo }): PayingLength[] => {
    if (off === 'running') return []
    const pays = (minutes: number): boolean => isLess(cost(minutes), running(minutes))
    return [{ off, willDo, fromMinutes: firstThat(pays) }]
  })
  const allowed = costs.filter(({ willDo }) => willDo)
  const cheapestAt = (minutes: number): OffState =>
    allowed.reduce((best, each) => (isLess(each.cost(minutes), best.cost(minutes)) ? each : best)).off
  return { ways, cheapest: steps(cheapestAt), longestMinutes: LONGEST_MINUTES }
}

/** What the month costs with one gap of so many minutes; kept, since neighbours ask again. */
function gapCost(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): (minutes: number) => Exact | undefined {
  const known = new Map<number, Exact | undefined>()
  const from = instant(month.from + BEGINS_AFTER)
  return (minutes) => {
    if (known.has(minutes)) return known.get(minutes)
    const to = instant(from + minutes * 60)
    const on = [
      { from: instant(month.from - BEGINS_AFTER), to: from },
      { from: to, to: instant(month.to + BEGINS_AFTER) },
    ]
    const total = chargedTotal(resolved, meterOn(resolved, on, month), month, shared)
    const cost = total.ok ? total.value : undefined
    known.set(minutes, cost)
    return cost
  }
}

const isLess = (a: Exact | undefined, b: Exact | undefined): boolean =>
  a !== undefined && b !== undefined && compare(a, b) < 0

/** The least number of minutes from which it holds, given that once it holds it always does. */
function firstThat(holds: (minutes: number) => boolean): number | undefined {
  if (!holds(LONGEST_MINUTES)) return undefined
  let [no, yes] = [0, LONGEST_MINUTES]
  while (yes - no > 1) {
    const middle = Math.floor((no + yes) / 2)
    if (holds(middle)) yes = middle
    else no = middle
  }
  return yes
}

/** Where the answer changes; between two lengths of the same answer it is the same. */
function steps(at: (minutes: number) => OffState): CheapestLength[] {
  const found: CheapestLength[] = [{ off: at(1), fromMinutes: 1 }]
  const look = (from: number, to: number): void => {
    if (at(from) === at(to)) return
    if (to - from === 1) return void found.push({ off: at(to), fromMinutes: to })
    const middle = Math.floor((from + to) / 2)
    look(from, middle)
    look(middle, to)
  }
  look(1, LONGEST_MINUTES)
  return found
}
