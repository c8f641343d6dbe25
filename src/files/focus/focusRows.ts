import type { Charge } from '../../core/meter/charge.ts'
import { amountOf } from '../../core/meter/makeCharge.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import type { Tags } from '../../core/machine/plan.ts'
import { MOST_DECIMALS, toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { exact, multiply, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { amountAt, type RatePer } from '../../core/quantity/rate.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import { SECONDS_PER_HOUR, type Span } from '../../core/quantity/units.ts'
import { utcTime } from '../timers/utcText.ts'
import { grainSpans, ticksBySpan, type FocusGrain, type TicksInSpan } from './chargeSpans.ts'
import type { FocusRow } from './focusColumns.ts'
import { meterOf, priceDetails, resourceOf, SERVICES, unitOf } from './focusSku.ts'

/**
 * One machine's planned month as FOCUS rows: one for each charge in each day or hour, in time order. Costs are exact to
 * 12 places, each the step between running sums, so that rows add up to the machine's month as the command line says it
 * to the last digit. A free or capped charge has its list cost, and costs nothing.
 */
export function focusRows({ resolved, estimate }: PricedMachine, grain: FocusGrain): FocusRow[] {
  const { book } = resolved.index
  const spans = grainSpans(estimate.month, grain, book.billingZone)
  const parts = estimate.charges
    .flatMap((charge, order) =>
      ticksBySpan(charge, spans).flatMap((found) =>
        byUse(charge, found).map((part) => ({ ...part, charge, order })),
      ),
    )
    .sort((a, b) => a.span.from - b.span.from || a.order - b.order)
  const costs = roundParts(
    parts.map(({ charge, ticks }) => amountOf(charge, ticks)),
    MOST_DECIMALS,
  ).parts
  const listed = roundParts(
    parts.map(({ charge, ticks }) => listCost(charge, ticks)),
    MOST_DECIMALS,
  ).parts
  const common = commonFields(resolved, estimate.month)
  const fixed = estimate.charges.map((charge) => ({ ...common, ...chargeFields(charge, resolved) }))
  return parts.map((part, i) => ({ ...fixed[part.order], ...rowOf(part, costs[i]!, listed[i]!) }))
}

interface Part extends TicksInSpan {
  readonly charge: Charge
  /** Of a commitment: whether the machine ran. */
  readonly isUsed: boolean
}

/** A commitment is used while the machine runs; its other hours are rows of their own. */
function byUse({ meter }: Charge, found: TicksInSpan): Omit<Part, 'charge'>[] {
  if (meter !== 'commitment') return [{ ...found, isUsed: true }]
  const unused = found.ticks - found.runningTicks
  return [
    ...(found.runningTicks > 0 ? [{ ...found, ticks: found.runningTicks, isUsed: true }] : []),
    ...(unused > 0 ? [{ ...found, ticks: unused, running: 0, isUsed: false }] : []),
  ]
}

/** Not reduced: it is divided once, when it is written. */
const quantityOf = ({ units, ticksPerPeriod }: Charge, ticks: number): Exact => ({
  n: units.n * BigInt(ticks),
  d: units.d * BigInt(ticksPerPeriod),
})

const listCost = ({ rate, units, ticksPerPeriod }: Charge, ticks: number): Exact =>
  amountAt(rate, units, ticks, ticksPerPeriod)

const short = (value: Exact): string => trimDecimal(toDecimal(value, MOST_DECIMALS))

const UNITS = {
  second: 'Seconds',
  hour: 'Hours',
  month: 'Months',
  term: 'Terms',
  GiB: 'GiB',
  '10,000 operations': '10000 Requests',
} as const satisfies Record<RatePer, string>

/** `GiB-Months`, `vCPU-Hours`, `Hours`: as FOCUS writes units. */
function pricingUnit(charge: Charge): string {
  const per = UNITS[charge.rate.per]
  const unit = unitOf(charge)
  return unit === '' || unit === per ? per : `${unit}-${per}`
}

function commonFields({ machine, index, region }: PricedMachine['resolved'], month: Span): FocusRow {
  const { book } = index
  return {
    BillingAccountId: book.provider.id,
    BillingAccountName: 'Plan',
    BillingPeriodStart: utcTime(month.from),
    BillingPeriodEnd: utcTime(month.to),
    BillingCurrency: book.currency,
    PricingCurrency: book.currency,
    ChargeCategory: 'Usage',
    ProviderName: book.provider.name,
    PublisherName: book.provider.name,
    InvoiceIssuerName: book.provider.name,
    ResourceName: machine.name,
    RegionId: machine.region,
    RegionName: region.region.name,
    AvailabilityZone: machine.zone,
    Tags: JSON.stringify(tagsOf(machine.tags, machine.costCentre)),
  }
}

const tagsOf = (tags: Tags = {}, costCentre: string | undefined): Record<string, string> => ({
  ...tags,
  ...(costCentre !== undefined && { x_CostCentre: costCentre }),
})

/** What all rows of a charge have in common. */
function chargeFields(charge: Charge, resolved: PricedMachine['resolved']): FocusRow {
  const { machine, terms } = resolved
  const { part, type } = resourceOf(charge.subject)
  const share = charge.waived ? ZERO : (charge.band?.share?.value ?? ONE)
  const meter = meterOf(charge)
  const isTime = charge.subject.of === 'size'
  const unit = pricingUnit(charge)
  return {
    ...SERVICES[charge.meter],
    ListUnitPrice: charge.rate.text,
    ContractedUnitPrice: short(multiply(charge.rate.value, share)),
    PricingUnit: unit,
    ConsumedUnit: isTime ? 'Hours' : unit,
    ChargeFrequency: terms.kind === 'flat' || isUpFront(charge) ? 'Recurring' : 'Usage-Based',
    ChargeDescription: charge.waived ? `${meter}, not charged: ${charge.waived.by}` : meter,
    PricingCategory: categoryOf(charge, terms.kind),
    ...(charge.meter === 'commitment' && {
      CommitmentDiscountId: `${machine.name}/${terms.id}`,
      CommitmentDiscountName: terms.name,
      CommitmentDiscountCategory: 'Usage',
      CommitmentDiscountType: terms.name,
      CommitmentDiscountUnit: unit,
    }),
    SkuId: skuOf(charge, resolved),
    SkuPriceId: charge.rate.pointer,
    SkuMeter: meter,
    SkuPriceDetails: JSON.stringify(priceDetails(charge.subject, resolved)),
    ResourceId: part === '' ? machine.name : `${machine.name}/${part}`,
    ResourceType: type,
  }
}

const isUpFront = ({ subject }: Charge): boolean => subject.of === 'up-front'

/** What a row has of its own. */
function rowOf({ charge, span, ticks, running, isUsed }: Part, cost: string, list: string): FocusRow {
  const quantity = short(quantityOf(charge, ticks))
  return {
    ChargePeriodStart: utcTime(span.from),
    ChargePeriodEnd: utcTime(span.to),
    // What was paid ahead is on the invoice of the month in which it was paid.
    BilledCost: isUpFront(charge) ? '0' : trimDecimal(cost),
    EffectiveCost: trimDecimal(cost),
    ListCost: trimDecimal(list),
    ContractedCost: trimDecimal(list),
    PricingQuantity: quantity,
    ConsumedQuantity: charge.subject.of === 'size' ? short(hours(running)) : quantity,
    ...(charge.meter === 'commitment' && {
      CommitmentDiscountStatus: isUsed ? 'Used' : 'Unused',
      CommitmentDiscountQuantity: quantity,
    }),
  }
}

const ONE = exact(1)
const hours = (seconds: number): Exact => ({ n: BigInt(seconds), d: BigInt(SECONDS_PER_HOUR) })

function categoryOf({ meter }: Charge, kind: PricedMachine['resolved']['terms']['kind']): string {
  if (meter === 'commitment') return 'Committed'
  return meter === 'compute' && kind === 'spot' ? 'Dynamic' : 'Standard'
}

const skuOf = (charge: Charge, { machine }: PricedMachine['resolved']): string =>
  charge.subject.of === 'size' || charge.subject.of === 'up-front'
    ? `${machine.size}/${machine.terms}`
    : meterOf(charge)
