import { FOCUS_COLUMNS, type FocusRow } from '../files/focus/focusColumns.ts'
import { csvText } from '../files/reading/csvText.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { add, exact, multiply, ZERO, type Exact } from '../core/quantity/exact.ts'
import { roundToUnits, toDecimal, trimDecimal, unitsToDecimal } from '../core/quantity/decimal.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { byDay, type Within } from './stretches.ts'
import { costOf, priceOf, type Service, type Usage } from './usage.ts'
import { midnightsOf, monthAt } from './zoneClock.ts'

export const BILL_GRAINS = ['day', 'hour'] as const
export type BillGrain = (typeof BILL_GRAINS)[number]

const DECIMALS = 12
const SECONDS_PER_HOUR = 3_600

const SERVICES = {
  machines: ['Compute', 'Virtual Machines', 'Machines', 'Machine'],
  disks: ['Storage', 'Block Storage', 'Disks', 'Disk'],
  snapshots: ['Storage', 'Backup Storage', 'Snapshots', 'Snapshot'],
  addresses: ['Networking', 'Network Connectivity', 'Addresses', 'Address'],
  traffic: ['Networking', 'Network Connectivity', 'Traffic', 'Machine'],
} as const satisfies Record<Service, readonly [string, string, string, string]>

const utc = (at: number): string => new Date(at * 1_000).toISOString().replace('.000', '')
const text = (value: Exact): string => trimDecimal(toDecimal(value, DECIMALS))

/** Where rows begin and end: the midnights of the provider’s zone, or the hours from the month’s first second on. */
function edgesOf({ from, to }: Within, grain: BillGrain, { billingZone }: PriceBook): number[] {
  if (grain === 'day') {
    const { year, month } = monthAt(billingZone, from)
    return midnightsOf(billingZone, year, month)
  }
  const edges: number[] = []
  for (let at = from; at < to; at += SECONDS_PER_HOUR) edges.push(at)
  return [...edges, to]
}

/**
 * One machine’s charges as rows of FOCUS 1.2, in time order. Each row costs the step between sums that are rounded to the
 * twelfth digit, so that no digit is lost on the way. O(stretches + rows).
 */
function machineRows(
  { order }: PracticeMachine,
  usages: readonly Usage[],
  book: PriceBook,
  month: Within,
  edges: readonly number[],
): FocusRow[] {
  const { provider, currency, regions } = book
  const common: FocusRow = {
    BillingAccountId: `${provider.id}-practice`,
    BillingAccountName: 'Practice',
    BillingPeriodStart: utc(month.from),
    BillingPeriodEnd: utc(month.to),
    BillingCurrency: currency,
    PricingCurrency: currency,
    ChargeCategory: 'Usage',
    ProviderName: provider.name,
    PublisherName: provider.name,
    InvoiceIssuerName: provider.name,
    ResourceName: order.name,
    RegionId: order.region,
    RegionName: regions.find(({ id }) => id === order.region)?.name ?? order.region,
    AvailabilityZone: order.zone,
    Tags: JSON.stringify({ ...order.tags, ...(order.costCentre && { x_CostCentre: order.costCentre }) }),
  }
  const fields = usages.map((usage) => ({
    ...common,
    ...usageFields(usage, order.name, order.terms, order.size),
  }))
  const times = edges.map(utc)
  const parts = usages.flatMap((usage, at) => {
    const ticks = new Map<number, number>()
    for (const stretch of usage.stretches) {
      byDay(stretch, edges, (day, more) => ticks.set(day, (ticks.get(day) ?? 0) + more))
    }
    return [...ticks].map(([day, count]) => ({ usage, at, day, count }))
  })
  parts.sort((a, b) => a.day - b.day || a.at - b.at)
  let [sum, given] = [ZERO, 0n]
  return parts.map(({ usage, at, day, count }) => {
    sum = add(sum, costOf(usage, count))
    const due = roundToUnits(sum, DECIMALS)
    const cost = trimDecimal(unitsToDecimal(due - given, DECIMALS))
    given = due
    return {
      ...fields[at]!,
      ...amountFields(usage, count, cost),
      ChargePeriodStart: times[day]!,
      ChargePeriodEnd: times[day + 1]!,
    }
  })
}

function usageFields(usage: Usage, name: string, terms: string, size: string): FocusRow {
  const [ServiceCategory, ServiceSubcategory, ServiceName, ResourceType] = SERVICES[usage.service]
  const sku = usage.service === 'machines' ? `${size}/${terms}` : usage.meter
  return {
    ServiceCategory,
    ServiceSubcategory,
    ServiceName,
    ResourceType,
    ResourceId: usage.part === '' ? name : `${name}/${usage.part}`,
    ListUnitPrice: usage.price,
    ContractedUnitPrice: text(multiply(priceOf(usage.price), usage.share)),
    PricingUnit: usage.unit,
    ConsumedUnit: isMachineTime(usage) ? 'Hours' : usage.unit,
    ChargeFrequency: usage.isPaidAhead ? 'Recurring' : 'Usage-Based',
    ChargeDescription: usage.meter,
    PricingCategory: usage.pricing ?? 'Standard',
    SkuId: sku,
    SkuPriceId: `${sku}/${usage.price}`,
    SkuMeter: usage.meter,
    SkuPriceDetails: JSON.stringify(usage.details ?? {}),
    ...(usage.commitment && {
      CommitmentDiscountId: `${name}/${terms}`,
      CommitmentDiscountName: usage.commitment.name,
      CommitmentDiscountCategory: 'Usage',
      CommitmentDiscountType: usage.commitment.name,
      CommitmentDiscountStatus: usage.commitment.isUsed ? 'Used' : 'Unused',
      CommitmentDiscountUnit: usage.unit,
    }),
  }
}

/** Its ticks are seconds, whatever its price is for. */
const isMachineTime = ({ meter, service }: Usage): boolean =>
  service === 'machines' && meter.startsWith('machine')

function amountFields(usage: Usage, count: number, cost: string): FocusRow {
  const units = multiply(usage.perTick, exact(count))
  const quantity = text(units)
  const listed = text(multiply(priceOf(usage.price), units))
  return {
    // What was paid ahead is on the invoice of the month in which it was paid.
    BilledCost: usage.isPaidAhead ? '0' : cost,
    EffectiveCost: cost,
    ListCost: listed,
    ContractedCost: listed,
    PricingQuantity: quantity,
    ConsumedQuantity: isMachineTime(usage) ? text({ n: BigInt(count), d: 3_600n }) : quantity,
    ...(usage.commitment && { CommitmentDiscountQuantity: quantity }),
  }
}

/** The month of all machines as rows of FOCUS 1.2, machine by machine. */
export function practiceRows(
  machines: readonly PracticeMachine[],
  usage: ReadonlyMap<string, readonly Usage[]>,
  book: PriceBook,
  month: Within,
  grain: BillGrain,
): FocusRow[] {
  const edges = edgesOf(month, grain, book)
  return machines.flatMap((machine) =>
    machineRows(machine, usage.get(machine.order.name) ?? [], book, month, edges),
  )
}

/** As CSV. */
export const practiceBill = (rows: readonly FocusRow[]): string =>
  csvText([FOCUS_COLUMNS, ...rows.map((row) => FOCUS_COLUMNS.map((column) => row[column] ?? ''))])
