import { decimalText } from '../../core/bill/decimalText.ts'
import type { BillLine, BillResource, ChargeCategory } from '../../core/bill/billLine.ts'
import { dayNumber, parseDate } from '../../core/calendar/civil.ts'
import { localToInstant, zoneOffsets, type ZoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { SECONDS_PER_DAY } from '../../core/quantity/units.ts'
import { csvText } from '../reading/csvText.ts'
import { utcTime } from '../timers/utcText.ts'
import type { BillColumn } from './billColumns.ts'
import type { BillReading } from './readBill.ts'

const COLUMNS = [
  'BillingPeriodStart',
  'ChargePeriodStart',
  'ChargePeriodEnd',
  'BillingCurrency',
  'BilledCost',
  'EffectiveCost',
  'ListCost',
  'ContractedUnitPrice',
  'PricingQuantity',
  'PricingUnit',
  'ConsumedQuantity',
  'ConsumedUnit',
  'ChargeCategory',
  'ChargeClass',
  'PricingCategory',
  'CommitmentDiscountId',
  'CommitmentDiscountStatus',
  'ServiceCategory',
  'ProviderName',
  'SkuId',
  'SkuMeter',
  'SkuPriceDetails',
  'ResourceId',
  'ResourceName',
  'ResourceType',
  'RegionId',
  'AvailabilityZone',
  'Tags',
] as const satisfies readonly BillColumn[]

const CATEGORY_NAMES = {
  usage: 'Usage',
  purchase: 'Purchase',
  tax: 'Tax',
  credit: 'Credit',
  adjustment: 'Adjustment',
} as const satisfies Record<ChargeCategory, string>

const SERVICE_NAMES = { compute: 'Compute', storage: 'Storage', networking: 'Networking' } as const

/** The reduction of a bill as a FOCUS table: a bill itself, with a row a resource, meter, unit price and day. */
export function billCsv({ lines, resources }: BillReading, timeZone: string): string {
  const zone = zoneOffsets(timeZone)
  const byId = new Map(resources.map((resource) => [resource.id, resource]))
  return csvText([COLUMNS, ...lines.map((line) => rowOf(line, byId.get(line.resourceId), zone))])
}

function rowOf(line: BillLine, resource: BillResource | undefined, zone: ZoneOffsets): string[] {
  const details = resource?.details.get(line.meter)
  const cells: Record<(typeof COLUMNS)[number], string> = {
    BillingPeriodStart: startOf(line.period, zone),
    ChargePeriodStart: startOf(line.day, zone),
    ChargePeriodEnd: startOf(line.lastDay, zone, 1),
    BillingCurrency: line.currency,
    BilledCost: decimalText(line.billed),
    EffectiveCost: decimalText(line.effective),
    ListCost: decimalText(line.list),
    ContractedUnitPrice: line.unitPrice,
    PricingQuantity: decimalText(line.quantity),
    PricingUnit: line.pricingUnit,
    ConsumedQuantity: decimalText(line.consumed),
    ConsumedUnit: line.consumedUnit,
    ChargeCategory: CATEGORY_NAMES[line.category],
    ChargeClass: line.isCorrection ? 'Correction' : '',
    PricingCategory: line.pricing,
    CommitmentDiscountId: line.commitment,
    CommitmentDiscountStatus: line.commitmentStatus,
    ServiceCategory: line.service ? SERVICE_NAMES[line.service] : '',
    ProviderName: line.provider,
    SkuId: line.sku,
    SkuMeter: line.meter,
    SkuPriceDetails: details ? JSON.stringify(details) : '',
    ResourceId: line.resourceId,
    ResourceName: line.resourceName,
    ResourceType: line.resourceType,
    RegionId: line.region,
    AvailabilityZone: line.zone,
    Tags: resource && resource.tags.size > 0 ? JSON.stringify(Object.fromEntries(resource.tags)) : '',
  }
  return COLUMNS.map((column) => cells[column])
}

/** The first second of a day, or of one some days later. */
const startOf = (date: string, zone: ZoneOffsets, later = 0): string =>
  utcTime(localToInstant(zone, dayNumber(parseDate(date)! + later) * SECONDS_PER_DAY))
