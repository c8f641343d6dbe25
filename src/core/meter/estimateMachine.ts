import { PRINTED_MONTH_HOURS, type BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { keptFor } from '../keptFor.ts'
import { withOff } from '../machine/whenOff.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { OffState } from '../off/powerState.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'
import { divide, exact, multiply, type Exact } from '../quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR, seconds, type Seconds } from '../quantity/units.ts'
import type { Charge, MissingPrice } from './charge.ts'
import { chargeMachine } from './chargeMachine.ts'
import { chargedTotal } from './machineTotal.ts'
import { meterMachine } from './meterMachine.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import type { SharedAccount } from './sharedAccount.ts'

/** One machine's month. All amounts are in the currency of its price book. */
export interface Estimate {
  readonly currency: string
  readonly month: BillingMonth
  readonly charges: readonly Charge[]
  readonly total: Exact
  /** The same machine, if nothing in the account were ever switched off. */
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
export type NotPriced = MissingPrice | { readonly code: 'state-not-offered'; readonly state: OffState }

/** A month's amount over the hours of that month, as it is read. */
export const averagePerHour = (total: Exact, month: BillingMonth): Exact =>
  divide(multiply(total, exact(SECONDS_PER_HOUR)), exact(lengthAsRead(month)))

/** Seconds of the month: its true ones, or 730 hours. */
export const lengthAsRead = (month: BillingMonth): Seconds =>
  month.reading === 'calendar' ? lengthOf(month) : seconds(PRINTED_MONTH_HOURS * SECONDS_PER_HOUR)

/** The machine if it were never switched off; every month asks. */
export const alwaysOnForm = keptFor((resolved: ResolvedMachine): ResolvedMachine =>
  withOff(resolved, 'running'),
)

export interface EstimateInputs {
  readonly resolved: ResolvedMachine
  readonly month: BillingMonth
  /** What the account's machines use together as planned, and with none of them switched off. */
  readonly shared?: SharedAccount | undefined
  readonly sharedAlwaysOn?: SharedAccount | undefined
}

export function estimateMachine({
  resolved,
  month,
  shared,
  sharedAlwaysOn,
}: EstimateInputs): Outcome<Estimate, NotPriced> {
  const { machine, index } = resolved
  const lacking = lackedState(machine, index.book)
  if (lacking) return refuse({ code: 'state-not-offered', state: lacking })
  const metered = meterMachine(resolved, month)
  const total = chargedTotal(resolved, metered, month, shared)
  if (!total.ok) return total
  const running = alwaysOnForm(resolved)
  const alwaysOn = chargedTotal(running, meterMachine(running, month), month, sharedAlwaysOn)
  if (!alwaysOn.ok) return alwaysOn
  let charges: readonly Charge[] | undefined
  return accept({
    currency: index.book.currency,
    month,
    get charges() {
      return (charges ??= listCharges(resolved, metered, month, shared))
    },
    total: total.value,
    alwaysOn: alwaysOn.value,
    get averagePerHour() {
      return averagePerHour(total.value, month)
    },
    metered,
    onTime: metered.onTime,
    starts: metered.starts,
  })
}

/** Lists of machines are drawn from totals; charges are listed for the machine that is looked at. */
function listCharges(...inputs: Parameters<typeof chargeMachine>): readonly Charge[] {
  const charges = chargeMachine(...inputs)
  if (!charges.ok) throw new RangeError(`a month with a total lacks its ${charges.issues[0].part}`)
  return charges.value
}
