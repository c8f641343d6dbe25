import { civilDate } from '../calendar/civil.ts'
import { localToInstant, offsetAt, zoneOffsets, type ZoneOffsets } from '../calendar/zoneOffsets.ts'
import { SECONDS_PER_DAY, type Instant } from '../quantity/units.ts'
import { dayNumber } from '../calendar/civil.ts'
import { readFigure, type DecimalMark } from '../table/readFigure.ts'
import { readTime } from '../table/readTime.ts'
import { memoryOf } from '../table/roomInGiB.ts'
import { roomUnitIn } from '../table/roomUnit.ts'
import { signedFigure } from '../table/signedFigure.ts'
import type { BillField, BillMapping, BillSource, RowUse } from './billMapping.ts'

/** Columns of FOCUS that a mapped row fills, in its order. */
export const MAPPED_COLUMNS = [
  'BillingPeriodStart',
  'ChargePeriodStart',
  'ChargePeriodEnd',
  'BillingCurrency',
  'BilledCost',
  'EffectiveCost',
  'ListUnitPrice',
  'PricingQuantity',
  'PricingUnit',
  'ConsumedQuantity',
  'ConsumedUnit',
  'ChargeCategory',
  'ServiceCategory',
  'ServiceName',
  'ProviderName',
  'SkuMeter',
  'SkuPriceDetails',
  'ResourceId',
  'ResourceName',
  'RegionId',
  'AvailabilityZone',
  'Tags',
] as const
type MappedColumn = (typeof MAPPED_COLUMNS)[number]

/** The service, category and meter of FOCUS that a use is. */
const SAID: { readonly [Use in RowUse]: readonly [service: string, category: string, meter: string] } = {
  'machine-time': ['Compute', 'Usage', 'machine time'],
  licence: ['Compute', 'Usage', 'licence'],
  disk: ['Storage', 'Usage', 'disk'],
  snapshot: ['Storage', 'Usage', 'snapshot'],
  memory: ['Storage', 'Usage', 'memory'],
  address: ['Networking', 'Usage', 'address'],
  traffic: ['Networking', 'Usage', 'traffic'],
  tax: ['Other', 'Tax', ''],
  credit: ['Other', 'Credit', ''],
  'left-out': ['Other', 'Usage', ''],
}

const MOST_KEPT = 20_000

/**
 * What makes a row of FOCUS of a row of another bill. What cannot be read is passed on as it is written, so that whoever
 * reads the row counts it with its place; nothing is made up. `zone` is that of times that name none. O(columns) a row.
 */
export function mappedRows(
  mapping: BillMapping,
  headings: readonly string[],
  zone: string,
): (cells: readonly string[]) => string[] {
  const at = new Map(headings.map((heading, i) => [heading, i]))
  const offsets = zoneOffsets(zone)
  const readerOf = (source: BillSource | undefined): ((cells: readonly string[]) => string) => {
    if (!source) return () => ''
    if (source.from === 'constant') return () => source.text
    const place = at.get(source.column) ?? -1
    return (cells) => (cells[place] ?? '').trim()
  }
  const readers = Object.fromEntries(
    Object.entries(mapping.fields).map(([field, source]) => [field, readerOf(source)]),
  ) as Partial<Record<BillField, (cells: readonly string[]) => string>>
  const text = (field: BillField, cells: readonly string[]): string => readers[field]?.(cells) ?? ''
  const kinds = new Map(mapping.kinds.map(({ text: said, is }) => [said, is]))
  const units = new Map(mapping.units.map(({ text: said, is }) => [said, is]))
  const tags = mapping.tags.map((column) => [column, readerOf({ from: 'column', column })] as const)
  const timeOf = remembered((said: string) => readTime(said, mapping.dates, offsets) ?? null)
  const figure = (said: string): string => plainFigure(said, mapping.decimalMark)
  return (cells) => {
    // A row that is cut off stays one, and a blank line none: whoever reads it counts it.
    if (cells.length < headings.length) return cells.length <= 1 ? [...cells] : cells.slice(0, 2)
    const kind = text('kind', cells)
    const use = kinds.get(kind) ?? 'left-out'
    const [service, category, meter] = SAID[use]
    const [start, end] = [text('start', cells), text('end', cells)]
    const from = timeOf(start)
    const until = end === '' ? null : timeOf(end)
    const resource = text('resource', cells) || text('name', cells)
    const quantity = figure(text('quantity', cells))
    // What is charged is what was used where it is time; licences are charged by the vCPU.
    const isTime = use === 'machine-time'
    const unit = units.get(text('unit', cells)) ?? text('unit', cells)
    const details = detailsOf((field) => text(field, cells), mapping.decimalMark)
    const cost = figure(text('cost', cells))
    const row: Readonly<Record<MappedColumn, string>> = {
      BillingPeriodStart: from ? `${monthOf(from.at, offsets)}-01T00:00:00Z` : '',
      ChargePeriodStart: from ? utc(from.at) : start,
      ChargePeriodEnd: until
        ? utc(until.at > (from?.at ?? 0) ? until.at : until.ends)
        : from
          ? utc(mapping.lasts === 'day' ? dayAfter(from.at, offsets) : from.ends)
          : end,
      BillingCurrency: text('currency', cells),
      BilledCost: cost,
      EffectiveCost: cost,
      ListUnitPrice: figure(text('unitPrice', cells)),
      PricingQuantity: quantity,
      PricingUnit: quantity === '' ? '' : unit,
      ConsumedQuantity: isTime ? quantity : '',
      ConsumedUnit: isTime && quantity !== '' ? unit : '',
      ChargeCategory: category,
      ServiceCategory: service,
      ServiceName: kind,
      ProviderName: mapping.provider,
      SkuMeter: meter,
      SkuPriceDetails: details,
      ResourceId: resource,
      ResourceName: text('name', cells) || resource,
      RegionId: text('region', cells),
      AvailabilityZone: text('zone', cells),
      Tags:
        tags.length === 0
          ? ''
          : JSON.stringify(Object.fromEntries(tags.map(([name, read]) => [name, read(cells)]))),
    }
    return MAPPED_COLUMNS.map((column) => row[column])
  }
}

/** A cell as a plain decimal; what is no figure stays as it is written, to be told. */
export const plainFigure = (text: string, mark: DecimalMark): string =>
  text === '' ? '' : (signedFigure(text, mark) ?? text)

function detailsOf(text: (field: BillField) => string, mark: DecimalMark): string {
  const details: Record<string, string | number> = {}
  const [size, vcpu, memory, system] = [text('size'), text('vcpu'), text('memory'), text('system')]
  if (size !== '') details.InstanceType = size
  const [cores, room] = [vcpu, memory].map((said) => readFigure(said, mark))
  if (cores!.ok) details.CoreCount = Number(cores!.value.text)
  if (room!.ok) details.MemorySize = memoryOf(room!.value.text, roomUnitIn(memory) ?? 'GiB')
  if (system !== '') details.OperatingSystem = system
  return Object.keys(details).length === 0 ? '' : JSON.stringify(details)
}

/** A day later by the clocks of a zone. */
const dayAfter = (at: Instant, zone: ZoneOffsets): Instant =>
  localToInstant(zone, at + offsetAt(zone, at) + SECONDS_PER_DAY)

const utc = (at: Instant): string => new Date(at * 1_000).toISOString().replace('.000', '')

/** `2027-03`: the month of an instant in a zone. */
function monthOf(at: Instant, zone: ZoneOffsets): string {
  const { year, month } = civilDate(dayNumber(Math.floor((at + offsetAt(zone, at)) / SECONDS_PER_DAY)))
  return `${year}-${String(month).padStart(2, '0')}`
}

/** Times are said in many rows, and read once. */
function remembered<T>(read: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>()
  return (text) => {
    const known = kept.get(text)
    if (known !== undefined) return known
    const value = read(text)
    if (kept.size < MOST_KEPT) kept.set(text, value)
    return value
  }
}
