/**
 * Columns of FOCUS 1.2 (the FinOps Open Cost and Usage Specification) that planned charges fill, in the order in which
 * they are written; all that the specification asks of every row is among them.
 */
export const FOCUS_COLUMNS = [
  'BillingAccountId',
  'BillingAccountName',
  'BillingPeriodStart',
  'BillingPeriodEnd',
  'ChargePeriodStart',
  'ChargePeriodEnd',
  'BillingCurrency',
  'BilledCost',
  'EffectiveCost',
  'ListCost',
  'ContractedCost',
  'ListUnitPrice',
  'ContractedUnitPrice',
  'PricingCurrency',
  'PricingQuantity',
  'PricingUnit',
  'ConsumedQuantity',
  'ConsumedUnit',
  'ChargeCategory',
  'ChargeClass',
  'ChargeFrequency',
  'ChargeDescription',
  'PricingCategory',
  'CommitmentDiscountId',
  'CommitmentDiscountName',
  'CommitmentDiscountCategory',
  'CommitmentDiscountType',
  'CommitmentDiscountStatus',
  'CommitmentDiscountQuantity',
  'CommitmentDiscountUnit',
  'ServiceCategory',
  'ServiceSubcategory',
  'ServiceName',
  'ProviderName',
  'PublisherName',
  'InvoiceIssuerName',
  'SkuId',
  'SkuPriceId',
  'SkuMeter',
  'SkuPriceDetails',
  'ResourceId',
  'ResourceName',
  'ResourceType',
  'RegionId',
  'RegionName',
  'AvailabilityZone',
  'Tags',
] as const

type FocusColumn = (typeof FOCUS_COLUMNS)[number]

/** Columns that are not said are null: an empty cell. */
export type FocusRow = { readonly [Column in FocusColumn]?: string }
