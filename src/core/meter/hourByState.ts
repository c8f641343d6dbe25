import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { StateRow } from '../catalogue/priceBook.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { POWER_STATES, type PowerState } from '../off/powerState.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { Charge, Meter } from './charge.ts'
import { chargeMachine } from './chargeMachine.ts'
import { meteredHour } from './meteredMonth.ts'

export interface HourInState {
  readonly state: PowerState
  readonly amount: Exact
  readonly byMeter: readonly { readonly meter: Meter; readonly amount: Exact }[]
  /** True where the state is not running and the hardware is charged all the same. */
  readonly stillCharged: boolean
  readonly row: StateRow
}

/**
 * The charges of one hour in a state, by the meter of the month, without minimums, rounding and free allowances.
 * Monthly rates are shared over the hours of this month, so they differ a little from month to month. Empty where a
 * price is missing. The book must have the state.
 */
export function hourCharges(resolved: ResolvedMachine, state: PowerState, month: BillingMonth): Charge[] {
  // The printed month of 730 hours is a reading of whole months; one hour is one true hour.
  const hour = { ...month, reading: 'calendar' } as const
  const metered = meteredHour(state, resolved.index.book, month.from)
  const charges = chargeMachine(resolved, metered, hour, undefined)
  if (!charges.ok) return []
  // What time plays no part in is of the month, not of an hour.
  return charges.value.filter(({ ticksPerSecond }) => ticksPerSecond > 0)
}

/** What one hour costs in each state that the provider has. */
export function hourByState(resolved: ResolvedMachine, month: BillingMonth): HourInState[] {
  const { book } = resolved.index
  return POWER_STATES.flatMap((state) => {
    const row = book.states[state]
    const charges = row ? hourCharges(resolved, state, month) : []
    if (!row || charges.length === 0) return []
    const byMeter = totalsByMeter(charges)
    const amount = byMeter.reduce((total, part) => add(total, part.amount), ZERO)
    const isFlat = resolved.terms.kind === 'flat' && state !== 'deleted'
    const stillCharged = state !== 'running' && (row.compute || isFlat)
    return [{ state, amount, byMeter, stillCharged, row }]
  })
}

function totalsByMeter(charges: readonly Charge[]): { meter: Meter; amount: Exact }[] {
  const totals = new Map<Meter, Exact>()
  for (const { meter, amount } of charges) totals.set(meter, add(totals.get(meter) ?? ZERO, amount))
  return [...totals].filter(([, amount]) => amount.n !== 0n).map(([meter, amount]) => ({ meter, amount }))
}
