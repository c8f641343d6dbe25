import { PRINTED_MONTH_HOURS, type BillingMonth } from '../calendar/billingMonth.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { withOff } from '../machine/whenOff.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { OffState } from '../off/powerState.ts'
import { divide, exact, multiply, type Exact } from '../quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR, seconds, type Seconds } from '../quantity/units.ts'
import type { Charge, MissingPrice } from './charge.ts'
import { chargedTotal, chargeMachine, meterMachine, type ChargedPart } from './chargeMachine.ts'
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

const alwaysOnForms = new WeakMap<ResolvedMachine, ResolvedMachine>()

/** The machine if it were never switched off; a pure memo, since every month asks. */
export function alwaysOnForm(resolved: ResolvedMachine): ResolvedMachine {
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
  const total = chargedTotal(resolved, metered, month, shared)
  if ('code' in total) return total
  const alwaysOn = alwaysOnTotal(alwaysOnForm(resolved), month, sharedAlwaysOn)
  if ('code' in alwaysOn) return alwaysOn
  let charges: readonly Charge[] | undefined
  return {
    currency: index.book.currency,
    month,
    get charges() {
      return (charges ??= listCharges(resolved, metered, month, shared))
    },
    total,
    alwaysOn,
    get averagePerHour() {
      return averagePerHour(total, month)
    },
    metered,
    onTime: metered.onTime,
    starts: metered.starts,
  }
}

/** Lists of machines are drawn from totals; charges are listed for the machine that is looked at. */
function listCharges(...inputs: Parameters<ChargedPart>): readonly Charge[] {
  const charges = chargeMachine(...inputs)
  if ('code' in charges) throw new RangeError(`a month with a total lacks its ${charges.code}`)
  return charges
}

const alwaysOnTotals = new WeakMap<ResolvedMachine, Map<string, Exact | MissingPrice>>()

/**
 * What a machine that is never off costs. Where it shares nothing with others, months of one length cost the same: a
 * year has few lengths, and each is charged once.
 */
function alwaysOnTotal(
  running: ResolvedMachine,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Exact | MissingPrice {
  const charge = (): Exact | MissingPrice =>
    chargedTotal(running, meterMachine(running, month), month, shared)
  const { trafficOutGiB, firstDay, lastDay } = running.machine
  const isUnlike = trafficOutGiB !== undefined || firstDay !== undefined || lastDay !== undefined
  if (isUnlike || (shared && shared.pools.size > 0)) return charge()
  let totals = alwaysOnTotals.get(running)
  if (!totals) alwaysOnTotals.set(running, (totals = new Map()))
  const key = `${lengthOf(month)} ${month.reading}`
  let total = totals.get(key)
  if (!total) totals.set(key, (total = charge()))
  return total
}
