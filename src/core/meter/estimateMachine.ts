import { PRINTED_MONTH_HOURS, type BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { lackedState } from '../catalogue/lackedState.ts'
import { withOffPlan } from '../power/offPlan.ts'
import type { OffState } from '../power/powerState.ts'
import { divide, exact, multiply, type Exact } from '../quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR, seconds, type Seconds } from '../quantity/units.ts'
import type { Charge, MissingPrice } from './charge.ts'
import { chargeMachine, meterMachine } from './chargeMachine.ts'
import { totalOf } from './machineTotal.ts'
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

export const withOff = (resolved: ResolvedMachine, off: OffState): ResolvedMachine => ({
  ...resolved,
  machine: withOffPlan(resolved.machine, { off }),
})

const alwaysOnForms = new WeakMap<ResolvedMachine, ResolvedMachine>()

/** The machine if it were never switched off; a pure memo, since every month asks. */
export function neverOff(resolved: ResolvedMachine): ResolvedMachine {
  let form = alwaysOnForms.get(resolved)
  if (!form) alwaysOnForms.set(resolved, (form = withOff(resolved, 'running')))
  return form
}

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
}: EstimateInputs): Estimate | NotPriced {
  const { machine, index } = resolved
  const lacking = lackedState(machine, index.book)
  if (lacking) return { code: 'state-not-offered', state: lacking }
  const metered = meterMachine(resolved, month)
  const charges = chargeMachine(resolved, metered, month, shared)
  if ('code' in charges) return charges
  const running = neverOff(resolved)
  const alwaysOn = chargeMachine(running, meterMachine(running, month), month, sharedAlwaysOn)
  if ('code' in alwaysOn) return alwaysOn
  const total = totalOf(charges)
  return {
    currency: index.book.currency,
    month,
    charges,
    total,
    alwaysOn: totalOf(alwaysOn),
    get averagePerHour() {
      return averagePerHour(total, month)
    },
    metered,
    onTime: metered.onTime,
    starts: metered.starts,
  }
}
