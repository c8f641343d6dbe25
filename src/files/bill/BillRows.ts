import { billNumber } from '../../core/bill/billNumber.ts'
import { BillReduction } from '../../core/bill/BillReduction.ts'
import { focusUnit, secondsOfUnit } from '../../core/bill/focusUnit.ts'
import type { BillService, ChargeCategory } from '../../core/bill/billLine.ts'
import { formatDate, dayNumber } from '../../core/calendar/civil.ts'
import { offsetAt, zoneOffsets, type ZoneOffsets } from '../../core/calendar/zoneOffsets.ts'
import { isZero, sign, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { instant, SECONDS_PER_DAY, type Instant } from '../../core/quantity/units.ts'
import { csvCell } from '../reading/csvText.ts'
import { apart } from './apart.ts'
import type { BillColumn, BillHeader } from './billColumns.ts'
import { BillResources } from './BillResources.ts'
import { BillTroubles } from './billTrouble.ts'
import { focusTime } from './focusTime.ts'
import { LeftOutServices } from './LeftOutServices.ts'

const CATEGORIES: ReadonlyMap<string, ChargeCategory> = new Map([
  ['usage', 'usage'],
  ['purchase', 'purchase'],
  ['tax', 'tax'],
  ['credit', 'credit'],
  ['adjustment', 'adjustment'],
])

const SERVICES: ReadonlyMap<string, BillService> = new Map([
  ['compute', 'compute'],
  ['storage', 'storage'],
  ['networking', 'networking'],
])

/** A period longer than this is no hour and no day, whatever the clock does. */
const LONGEST_DAY = 25 * 3_600
const MOST_KEPT = 20_000
const LONGEST_TEXT = 2_000
/** Tags and price details, which are no JSON any more when they are cut. */
const LONGEST_JSON = 64 * 1_024
const APOSTROPHE = 39
const FARTHEST_ZONE = 14 * 3_600

/** What a cell says; nothing where it is empty or null. Called for each cell, so that it looks before it works. */
function said(cell: string, most = LONGEST_TEXT): string {
  const text = cell.trim()
  if (text.length === 0 || (text.length === 4 && text.toLowerCase() === 'null')) return ''
  const own = text.charCodeAt(0) === APOSTROPHE ? csvCell(text) : text
  return own.length > most ? own.slice(0, most) : own
}

/** What is said in cells again and again is read once. */
function remembered<T>(read: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>()
  return (text) => {
    const known = kept.get(text)
    if (known !== undefined) return known
    const value = read(text)
    if (kept.size < MOST_KEPT) kept.set(apart(text), value)
    return value
  }
}

/** In which zone days begin: a provider’s own, by its name in lower case, or that of all others. */
export interface BillZones {
  readonly timeZone: string
  readonly byProvider?: ReadonlyMap<string, string>
}

const zoneFor = ({ timeZone, byProvider }: BillZones, provider: string): string =>
  byProvider?.get(provider.toLowerCase()) ?? timeZone

/** Dates of instants in one zone, each found once: a month has few hours. */
class Clock {
  private readonly zone: ZoneOffsets
  private readonly dates = new Map<number, string>()

  constructor(timeZone: string) {
    this.zone = zoneOffsets(timeZone)
  }

  dateAt(at: number): string {
    const known = this.dates.get(at)
    if (known !== undefined) return known
    const local = at + offsetAt(this.zone, instant(at))
    const date = formatDate(dayNumber(Math.floor(local / SECONDS_PER_DAY)))
    if (this.dates.size < MOST_KEPT) this.dates.set(at, date)
    return date
  }

  /** The first of the month where it begins about then: a month of another zone begins up to 14 hours earlier or later. */
  periodAt(start: number): string {
    const date = this.dateAt(start + FARTHEST_ZONE)
    return date.endsWith('-01') || date.endsWith('-02') ? `${date.slice(0, 8)}01` : this.dateAt(start)
  }
}

/**
 * Rows of one file of a bill, summed up as they come. A row is left out, and counted, where it does not say what it
 * costs, when, or what it is; whatever else is wrong with it is counted beside its sums.
 */
export class BillRows {
  readonly reduction = new BillReduction()
  readonly resources = new BillResources()
  readonly leftOut = new LeftOutServices()
  readonly troubles = new BillTroubles()
  rows = 0
  used = 0
  private readonly timeOf = remembered(focusTime)
  private readonly numberOf = remembered((text: string) => billNumber(text))
  private readonly unitOf = remembered((text: string) => focusUnit(text) ?? null)
  private readonly clockOf: (provider: string) => Clock

  constructor(
    private readonly header: BillHeader,
    private readonly columns: number,
    private readonly file: string,
    zones: BillZones,
    /** Of its first row, counted from 1. */
    private readonly firstRow = 2,
  ) {
    this.clockOf = remembered((provider: string) => new Clock(zoneFor(zones, provider)))
  }

  add(cells: readonly string[]): void {
    this.rows += 1
    // A blank line is no row; the last one of a file that was cut off has too few cells.
    if (cells.length <= 1 && (cells[0] ?? '').trim() === '') {
      this.rows -= 1
      return
    }
    if (cells.length < this.columns)
      return this.trouble('short-row', `${cells.length} of ${this.columns} cells`)
    const { header } = this
    const text = (column: BillColumn): string => {
      const at = header.get(column)
      const isJson = column === 'Tags' || column === 'SkuPriceDetails'
      return at === undefined ? '' : said(cells[at]!, isJson ? LONGEST_JSON : LONGEST_TEXT)
    }
    const category = CATEGORIES.get(text('ChargeCategory').toLowerCase())
    if (!category) return this.trouble('unknown-category', text('ChargeCategory'))
    const from = this.timeOf(text('ChargePeriodStart'))
    const to = this.timeOf(text('ChargePeriodEnd'))
    if (from === undefined || to === undefined || to < from) {
      return this.trouble('bad-time', `${text('ChargePeriodStart')} to ${text('ChargePeriodEnd')}`)
    }
    const currency = text('BillingCurrency').toUpperCase()
    if (!/^[A-Z]{3}$/.test(currency)) return this.trouble('no-currency', currency)
    const [billedText, effectiveText] = [text('BilledCost'), text('EffectiveCost')]
    const billed = this.numberOf(billedText || effectiveText)
    const effective = this.numberOf(effectiveText || billedText)
    if (!billed || !effective) return this.trouble('bad-cost', effectiveText || billedText)
    const serviceText = text('ServiceCategory')
    const service = SERVICES.get(serviceText.toLowerCase())
    const isAboutMachines = service !== undefined || category === 'tax' || category === 'credit'
    if (!isAboutMachines) {
      this.leftOut.add(text('ServiceName') || serviceText || 'without a service', currency, effective)
      return
    }
    this.used += 1
    const isCorrection = text('ChargeClass').toLowerCase() === 'correction'
    const quantity = this.figure(text('PricingQuantity'))
    const consumed = this.figure(text('ConsumedQuantity'))
    const consumedUnit = text('ConsumedUnit')
    this.checkQuantity(consumed, consumedUnit, from, to, category, isCorrection)
    for (const unit of [text('PricingUnit'), consumedUnit]) {
      if (unit !== '' && this.unitOf(unit) === null) this.trouble('unknown-unit', unit)
    }
    const resourceId = text('ResourceId')
    const meter = text('SkuMeter') || text('ChargeDescription') || text('SkuId')
    const isLong = to - from > LONGEST_DAY
    const middle = isLong ? from : Math.floor((from + to) / 2)
    const provider = text('ProviderName')
    const clock = this.clockOf(provider)
    const day = clock.dateAt(middle)
    const periodStart = this.timeOf(text('BillingPeriodStart'))
    this.reduction.add(
      {
        currency,
        period: periodStart === undefined ? clock.dateAt(from) : clock.periodAt(periodStart),
        category,
        isCorrection,
        provider,
        service,
        resourceId,
        resourceName: text('ResourceName'),
        resourceType: text('ResourceType'),
        region: text('RegionId') || text('RegionName'),
        zone: text('AvailabilityZone'),
        meter,
        sku: text('SkuId'),
        unitPrice: text('ContractedUnitPrice') || text('ListUnitPrice'),
        pricingUnit: text('PricingUnit'),
        consumedUnit,
        pricing: text('PricingCategory'),
        commitment: text('CommitmentDiscountId'),
        commitmentStatus: text('CommitmentDiscountStatus'),
        day,
        lastDay: isLong ? clock.dateAt(to - 1) : day,
      },
      { billed, effective, list: this.figure(text('ListCost')), quantity, consumed },
    )
    if (resourceId === '') return
    const wrong = this.resources.add(
      resourceId,
      text('ResourceName'),
      meter,
      text('SkuPriceDetails'),
      text('Tags'),
    )
    for (const code of wrong) this.trouble(code, text(code === 'bad-tags' ? 'Tags' : 'SkuPriceDetails'))
  }

  private trouble(code: Parameters<BillTroubles['add']>[0], text: string): void {
    this.troubles.add(code, this.file, this.rows + this.firstRow - 1, text)
  }

  /** Nothing where there is none; a figure that is no number is told, and counts nothing. */
  private figure(text: string): Exact {
    if (text === '') return ZERO
    const value = this.numberOf(text)
    if (!value) this.trouble('bad-quantity', text)
    return value ?? ZERO
  }

  /** Usage that takes longer than its period, or less than none. */
  private checkQuantity(
    consumed: Exact,
    unit: string,
    from: Instant,
    to: Instant,
    category: ChargeCategory,
    isCorrection: boolean,
  ): void {
    if (category !== 'usage' || isCorrection || isZero(consumed)) return
    if (sign(consumed) < 0) return this.trouble('negative-usage', `${unit} below zero`)
    const known = unit === '' ? null : this.unitOf(unit)
    const seconds = known ? secondsOfUnit(known) : undefined
    if (seconds === undefined) return
    if (consumed.n * seconds > BigInt(to - from) * consumed.d) {
      this.trouble('over-a-day', `more ${unit} than its period has`)
    }
  }

  /** What another part of the same bill holds, too. */
  merge(other: BillRows): void {
    this.reduction.merge(other.reduction)
    this.resources.merge(other.resources)
    this.leftOut.merge(other.leftOut)
    this.troubles.merge(other.troubles)
    this.rows += other.rows
    this.used += other.used
  }
}
