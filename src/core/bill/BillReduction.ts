import { add, type Exact } from '../quantity/exact.ts'
import {
  BILL_SERVICES,
  CHARGE_CATEGORIES,
  type BillKey,
  type BillLine,
  type BillService,
  type ChargeCategory,
} from './billLine.ts'

/** Figures of one row of a bill. */
export interface BillAmounts {
  readonly billed: Exact
  readonly effective: Exact
  readonly list: Exact
  readonly quantity: Exact
  readonly consumed: Exact
}

/** Fields of a line in the order in which they make its key. */
const FIELDS = [
  'currency',
  'period',
  'category',
  'isCorrection',
  'provider',
  'service',
  'resourceId',
  'resourceName',
  'resourceType',
  'region',
  'zone',
  'meter',
  'sku',
  'unitPrice',
  'pricingUnit',
  'consumedUnit',
  'pricing',
  'commitment',
  'commitmentStatus',
  'day',
  'lastDay',
] as const satisfies readonly (keyof BillKey)[]

/** A control character that no name has; where one does, it becomes a blank. */
const PART = '\u001f'

interface Sums {
  rows: number
  billed: Exact
  effective: Exact
  list: Exact
  quantity: Exact
  consumed: Exact
}

/**
 * A bill as one line for each resource, meter, unit price and day, whatever its rows. Memory: O(lines); an addition is
 * one look-up and five sums.
 */
export class BillReduction {
  private readonly sums = new Map<string, Sums>()

  get size(): number {
    return this.sums.size
  }

  add(key: BillKey, amounts: BillAmounts): void {
    const text = keyText(key)
    const isNew = !this.sums.has(text)
    // Only what is new can hold what parts fields.
    const own = isNew && text.split(PART).length !== FIELDS.length ? keyText(withoutParts(key)) : text
    this.addAt(own, { rows: 1, ...amounts })
  }

  /** All lines of another one too. */
  merge(other: BillReduction): void {
    for (const [key, sums] of other.sums) this.addAt(key, sums)
  }

  /** In the order in which they came first. */
  lines(): BillLine[] {
    return [...this.sums].map(([key, sums]) => ({ ...keyOf(key), ...sums }))
  }

  private addAt(key: string, more: Sums): void {
    const sums = this.sums.get(key)
    if (!sums) {
      this.sums.set(key, { ...more })
      return
    }
    sums.rows += more.rows
    sums.billed = add(sums.billed, more.billed)
    sums.effective = add(sums.effective, more.effective)
    sums.list = add(sums.list, more.list)
    sums.quantity = add(sums.quantity, more.quantity)
    sums.consumed = add(sums.consumed, more.consumed)
  }
}

/** A text of its own: what is cut out of a piece of a file would keep the whole piece in memory. */
function keyText(key: BillKey): string {
  let text = key.currency
  for (let at = 1; at < FIELDS.length; at += 1) text += PART + String(key[FIELDS[at]!] ?? '')
  return text
}

const withoutParts = (key: BillKey): BillKey =>
  Object.fromEntries(
    Object.entries(key).map(([field, value]) => [
      field,
      typeof value === 'string' ? value.replaceAll(PART, ' ') : value,
    ]),
  ) as unknown as BillKey

function keyOf(text: string): BillKey {
  const parts = text.split(PART)
  const [, , category, isCorrection, , service] = parts
  const at = new Map(FIELDS.map((field, i) => [field, parts[i]!]))
  const said = (field: (typeof FIELDS)[number]): string => at.get(field)!
  return {
    currency: said('currency'),
    period: said('period'),
    category: CHARGE_CATEGORIES.find((each): each is ChargeCategory => each === category)!,
    isCorrection: isCorrection === 'true',
    provider: said('provider'),
    service: BILL_SERVICES.find((each): each is BillService => each === service),
    resourceId: said('resourceId'),
    resourceName: said('resourceName'),
    resourceType: said('resourceType'),
    region: said('region'),
    zone: said('zone'),
    meter: said('meter'),
    sku: said('sku'),
    unitPrice: said('unitPrice'),
    pricingUnit: said('pricingUnit'),
    consumedUnit: said('consumedUnit'),
    pricing: said('pricing'),
    commitment: said('commitment'),
    commitmentStatus: said('commitmentStatus'),
    day: said('day'),
    lastDay: said('lastDay'),
  }
}
