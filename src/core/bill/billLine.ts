import type { Exact } from '../quantity/exact.ts'

export const CHARGE_CATEGORIES = ['usage', 'purchase', 'tax', 'credit', 'adjustment'] as const
/** What FOCUS calls ChargeCategory. */
export type ChargeCategory = (typeof CHARGE_CATEGORIES)[number]

/** Services that are about machines; rows of others are counted by name and left out. */
export const BILL_SERVICES = ['compute', 'storage', 'networking'] as const
export type BillService = (typeof BILL_SERVICES)[number]

/** What the rows of one line have in common; empty where the bill does not say. */
export interface BillKey {
  readonly currency: string
  /** First day of the billing period, `2027-03-01`. */
  readonly period: string
  readonly category: ChargeCategory
  /** It mends an earlier period, and is no usage of this one. */
  readonly isCorrection: boolean
  readonly provider: string
  /** Undefined for what is about no service: tax, credits. */
  readonly service: BillService | undefined
  readonly resourceId: string
  readonly resourceName: string
  readonly resourceType: string
  readonly region: string
  readonly zone: string
  readonly meter: string
  readonly sku: string
  /** Price of one pricing unit, as written. */
  readonly unitPrice: string
  readonly pricingUnit: string
  readonly consumedUnit: string
  /** `Standard`, `Dynamic`, `Committed`, `Other`, or what else is written. */
  readonly pricing: string
  readonly commitment: string
  /** `Used` or `Unused` where a commitment is drawn on. */
  readonly commitmentStatus: string
  /** First day that it is about, and the day on which it ends: the same for hours and days, later for months. */
  readonly day: string
  readonly lastDay: string
}

/** All rows of a bill about one resource, meter, unit price and day. */
export interface BillLine extends BillKey {
  readonly rows: number
  readonly billed: Exact
  readonly effective: Exact
  readonly list: Exact
  readonly quantity: Exact
  readonly consumed: Exact
}

/** What a bill says of a resource, beside its charges. */
export interface BillResource {
  readonly id: string
  readonly name: string
  /** `SkuPriceDetails` by meter, as JSON objects hold them. */
  readonly details: ReadonlyMap<string, Readonly<Record<string, unknown>>>
  readonly tags: ReadonlyMap<string, string>
}
