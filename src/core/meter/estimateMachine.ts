import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { OffState } from '../power/powerState.ts'
import { add, divide, exact, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR, seconds, type Seconds, type Span } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import { chargeMachine, meterMachine } from './chargeMachine.ts'
import type { MeteredMonth } from './meteredMonth.ts'

/** One machine's month. All amounts are in the currency of its price book. */
export interface Estimate {
  readonly currency: string
  readonly month: Span
  readonly charges: readonly Charge[]
  readonly total: Exact
  /** The same machine, never switched off. */
  readonly alwaysOn: Exact
  /** `total` over the hours of the month. */
  readonly averagePerHour: Exact
  readonly metered: MeteredMonth
  /** Seconds in its windows: running, and coming back. */
  readonly onTime: Seconds
  /** Times it came back in the month. */
  readonly starts: number
}

/** Why there is no figure: the book lacks a price, or a state, that the machine asks for. */
export type NotPriced =
  { readonly code: 'state-not-offered'; readonly state: OffState } | { readonly code: 'no-price' }

function totalOf(charges: readonly Charge[]): Exact {
  let total = ZERO
  for (const charge of charges) total = add(total, charge.amount)
  return total
}

/** A month's amount over the hours of that month. */
export const averagePerHour = (total: Exact, month: Span): Exact =>
  divide(multiply(total, exact(SECONDS_PER_HOUR)), exact(lengthOf(month)))

const withOff = (resolved: ResolvedMachine, off: OffState): ResolvedMachine => ({
  ...resolved,
  machine: { ...resolved.machine, off },
})

/** The month's exact total, or undefined where it has no price. What every choice of every plate is compared by. */
export function machineTotal(resolved: ResolvedMachine, month: Span): Exact | undefined {
  if (!resolved.index.book.states[resolved.machine.off]) return undefined
  const charges = chargeMachine(resolved, meterMachine(resolved, month))
  return charges && totalOf(charges)
}

export function estimateMachine(resolved: ResolvedMachine, month: Span): Estimate | NotPriced {
  const { machine, index } = resolved
  if (!index.book.states[machine.off]) return { code: 'state-not-offered', state: machine.off }
  const metered = meterMachine(resolved, month)
  const charges = chargeMachine(resolved, metered)
  const alwaysOn = machineTotal(withOff(resolved, 'running'), month)
  if (!charges || !alwaysOn) return { code: 'no-price' }
  const total = totalOf(charges)
  const { phases } = metered
  return {
    currency: index.book.currency,
    month,
    charges,
    total,
    alwaysOn,
    averagePerHour: averagePerHour(total, month),
    metered,
    onTime: seconds(
      (phases.get('running') ?? 0) + (phases.get('starting') ?? 0) + (phases.get('waking') ?? 0),
    ),
    starts: countStarts(metered),
  }
}

const countStarts = ({ timeline: { segments, month } }: MeteredMonth): number =>
  segments.filter(
    ({ phase, from }) =>
      (phase === 'starting' || phase === 'waking') && from >= month.from && from < month.to,
  ).length
