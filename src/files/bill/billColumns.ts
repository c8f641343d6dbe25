import type { FileIssue } from '../reading/fileIssue.ts'

/** Columns of FOCUS that are read, where they are there. Others are passed over. */
const READ = [
  'BillingPeriodStart',
  'ChargePeriodStart',
  'ChargePeriodEnd',
  'BillingCurrency',
  'BilledCost',
  'EffectiveCost',
  'ListCost',
  'ContractedUnitPrice',
  'ListUnitPrice',
  'PricingQuantity',
  'PricingUnit',
  'ConsumedQuantity',
  'ConsumedUnit',
  'ChargeCategory',
  'ChargeClass',
  'ChargeDescription',
  'PricingCategory',
  'CommitmentDiscountId',
  'CommitmentDiscountStatus',
  'ServiceCategory',
  'ServiceName',
  'ProviderName',
  'SkuId',
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

export type BillColumn = (typeof READ)[number]

/** Without them a row says neither what nor when nor how much. */
const NEEDED: readonly BillColumn[] = [
  'ChargePeriodStart',
  'ChargePeriodEnd',
  'BillingCurrency',
  'ChargeCategory',
  'ServiceCategory',
]

const MOST_COLUMNS = 1_000

export type BillHeader = ReadonlyMap<BillColumn, number>

/** Names as FOCUS has them, whatever their case, blanks and underscores: engines change those. */
const plain = (name: string): string =>
  name
    .replace(/^\uFEFF/, '')
    .replace(/[\s_"]/g, '')
    .toLowerCase()

/** Where the columns stand, or what keeps this from being a bill. */
export function billHeader(
  cells: readonly string[],
): { readonly header: BillHeader } | { readonly issues: readonly FileIssue[] } {
  if (cells.length > MOST_COLUMNS) {
    return { issues: [issue(`There are ${cells.length} columns.`, `at most ${MOST_COLUMNS}.`)] }
  }
  const places = new Map<string, number[]>()
  cells.forEach((cell, at) => places.set(plain(cell), [...(places.get(plain(cell)) ?? []), at]))
  const header = new Map<BillColumn, number>()
  const issues: FileIssue[] = []
  for (const column of READ) {
    const found = places.get(plain(column)) ?? []
    if (found.length > 1) {
      const at = found.map((place) => place + 1).join(' and ')
      issues.push(
        issue(`The column ${column} is there ${found.length} times, at ${at}.`, 'each column once.'),
      )
    }
    if (found.length === 1) header.set(column, found[0]!)
  }
  const lacking = NEEDED.filter((column) => !header.has(column) && !places.has(plain(column)))
  if (!header.has('EffectiveCost') && !header.has('BilledCost')) lacking.push('EffectiveCost')
  if (lacking.length > 0) {
    const columns = lacking.length === 1 ? 'The column' : 'The columns'
    issues.push(
      issue(
        `${columns} ${lacking.join(', ')} ${lacking.length === 1 ? 'is' : 'are'} not there.`,
        'a table with the columns of FOCUS 1.0 to 1.2.',
      ),
    )
  }
  return issues.length > 0 ? { issues } : { header }
}

const issue = (problem: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem,
  expected,
})

const KNOWN: ReadonlySet<string> = new Set(READ.map(plain))

/** Whether a bill is read for what stands under this heading. */
export const isBillColumn = (name: string): boolean => KNOWN.has(plain(name))
