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
] as const satisfies readonly (keyof BillKey)[]

/** What a line is about, but for its days: lines share it. */
type Subject = Omit<BillKey, 'day' | 'lastDay'>

/** A control character that no name has; where one does, it becomes a blank. */
const PART = '\u001f'

interface Sums {
  readonly day: string
  readonly lastDay: string
  rows: number
  billed: Exact
  effective: Exact
  list: Exact
  quantity: Exact
  consumed: Exact
}

/** One subject’s sums by the day, or by both days where they differ. */
interface SubjectSums {
  readonly subject: Subject
  readonly byDay: Map<string, Sums>
}

/**
 * A bill as one line for each resource, meter, unit price and day, whatever its rows. Memory: O(lines), and the texts of
 * each subject once; an addition is two look-ups and five sums.
 */
export class BillReduction {
  private readonly subjects = new Map<string, SubjectSums>()
  /** Texts of days, each kept once. */
  private readonly days = new Map<string, string>()
  private count = 0

  get size(): number {
    return this.count
  }

  add(key: BillKey, amounts: BillAmounts): void {
    const text = keyText(key)
    const isNew = !this.subjects.has(text)
    // Only what is new can hold what parts fields.
    const own = isNew && text.split(PART).length !== FIELDS.length ? keyText(withoutParts(key)) : text
    this.addAt(own, { day: this.dayText(key.day), lastDay: this.dayText(key.lastDay), rows: 1, ...amounts })
  }

  /** All lines of another one too. */
  merge(other: BillReduction): void {
    for (const [key, { byDay }] of other.subjects) for (const sums of byDay.values()) this.addAt(key, sums)
  }

  /** Subject by subject, in the order in which they came first, and so their days; what is handed out is kept no more. */
  takeLines(): BillLine[] {
    const lines: BillLine[] = []
    for (const { subject, byDay } of this.subjects.values()) {
      for (const sums of byDay.values()) lines.push(lineOf(subject, sums))
      byDay.clear()
    }
    return lines
  }

  private dayText(day: string): string {
    const known = this.days.get(day)
    if (known !== undefined) return known
    this.days.set(day, day)
    return day
  }

  private addAt(key: string, more: Sums): void {
    let found = this.subjects.get(key)
    if (!found) this.subjects.set(key, (found = { subject: subjectOf(key), byDay: new Map() }))
    const { byDay } = found
    const day = more.day === more.lastDay ? more.day : `${more.day} ${more.lastDay}`
    const sums = byDay.get(day)
    if (!sums) {
      byDay.set(day, { ...more })
      this.count += 1
      return
    }
    sums.rows += more.rows
    // What is the very same figure in every row stays one: most bills say both costs, and both quantities, alike.
    const isOneCost = sums.billed === sums.effective && more.billed === more.effective
    const isOneQuantity = sums.quantity === sums.consumed && more.quantity === more.consumed
    sums.billed = add(sums.billed, more.billed)
    sums.effective = isOneCost ? sums.billed : add(sums.effective, more.effective)
    sums.list = more.list.n === 0n ? sums.list : add(sums.list, more.list)
    sums.quantity = add(sums.quantity, more.quantity)
    sums.consumed = isOneQuantity ? sums.quantity : add(sums.consumed, more.consumed)
  }
}

/** Field by field: what is spread together takes three times the memory. */
const lineOf = (subject: Subject, sums: Sums): BillLine => ({
  currency: subject.currency,
  period: subject.period,
  category: subject.category,
  isCorrection: subject.isCorrection,
  provider: subject.provider,
  service: subject.service,
  resourceId: subject.resourceId,
  resourceName: subject.resourceName,
  resourceType: subject.resourceType,
  region: subject.region,
  zone: subject.zone,
  meter: subject.meter,
  sku: subject.sku,
  unitPrice: subject.unitPrice,
  pricingUnit: subject.pricingUnit,
  consumedUnit: subject.consumedUnit,
  pricing: subject.pricing,
  commitment: subject.commitment,
  commitmentStatus: subject.commitmentStatus,
  day: sums.day,
  lastDay: sums.lastDay,
  rows: sums.rows,
  billed: sums.billed,
  effective: sums.effective,
  list: sums.list,
  quantity: sums.quantity,
  consumed: sums.consumed,
})

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

function subjectOf(text: string): Subject {
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
  }
}
