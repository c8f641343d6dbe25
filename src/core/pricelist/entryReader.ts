import { addressUseOfText } from './addressUseOfText.ts'
import { gib } from '../quantity/units.ts'
import { currencyIn, type CurrencySaid } from '../table/currencyText.ts'
import { priceUnitIn, unitWithin, type PriceUnit } from '../table/priceUnit.ts'
import { gibOf } from '../table/roomInGiB.ts'
import { unitOfCell } from '../table/roomUnit.ts'
import { fail, remember, RowFault, type CellReader } from './cellReader.ts'
import type { CellAt, ListEntry, PlaceEntry, SizeEntry, SizeFacts } from './listEntry.ts'
import type { ListMapping, ListUnits, PriceColumn, RowMeaning, TermAnswer } from './listMapping.ts'
import {
  convertedPrice,
  hourlyPrice,
  machinePrice,
  roomPrice,
  wholePrice,
  type RowUnits,
} from './scaledPrice.ts'
import { factsReader } from './sizeFacts.ts'
import { ofMachine, rowUnits } from './rowUnits.ts'

export type EntryReader = (
  cells: readonly string[],
  price: string,
  column: PriceColumn,
  from: CellAt,
) => ListEntry

/** What makes an entry of a row of this meaning; throws a row's fault where something of it cannot be read. */
export function entryReader(
  { is }: RowMeaning,
  reader: CellReader,
  units: ListUnits,
  mapping: ListMapping,
): EntryReader {
  const places = new Map((mapping.places ?? []).map(({ text, name }) => [text, name ?? text]))
  const place = (cells: readonly string[], column: PriceColumn): string => {
    const text = column.place ?? reader.name('place', cells)
    return places.get(text) ?? text
  }
  const rates = new Map((mapping.rates ?? []).map(({ currency, rate }) => [currency, rate]))
  /** The rate of the currency that the price's cell names, or the row; undefined for the list's own. */
  const rateOf = (cells: readonly string[], inCell: CurrencySaid | undefined): string | undefined => {
    const text = reader.text('currency', cells)
    if (!inCell && (text === '' || text === mapping.currency)) return undefined
    const said = inCell ?? currencyOf(text)
    if (said.codes.includes(mapping.currency)) return undefined
    const known = said.codes.find((code) => rates.has(code))
    return known === undefined ? fail('currency', said.codes[0], 'other-currency') : rates.get(known)
  }
  const currencies = new Map<string, CurrencySaid>()
  const currencyOf = (text: string): CurrencySaid => {
    let said = currencies.get(text)
    if (!said) remember(currencies, text, (said = currencyIn(text) ?? { codes: [text.toUpperCase()] }))
    return said
  }
  const unitTexts = new Map<string, PriceUnit>()
  const unitOfRow = (cells: readonly string[]): PriceUnit => {
    const text = reader.text('unit', cells)
    let unit = unitTexts.get(text)
    if (!unit) remember(unitTexts, text, (unit = priceUnitIn(text)))
    return unit
  }
  const facts = factsReader(reader, units)
  const terms = new Map((mapping.terms ?? []).map((answer) => [answer.text, answer.is]))
  const entry = is === 'size-price' ? sizeEntry : is === 'disk-price' ? diskEntry : placeEntry
  const isDated = reader.has('validFrom') || reader.has('validTo')
  const hasUnit = reader.has('unit')
  return (cells, price, column, from) => {
    const { text: figure, currency, unit } = reader.amount(price, column.column)
    const rate = rateOf(cells, currency)
    const said = hasUnit ? unitWithin(unit, unitOfRow(cells)) : unit
    const { since, until } = isDated ? daysOf(reader, cells) : ALWAYS
    const made = entry({
      is,
      reader,
      cells,
      column,
      from,
      units: rowUnits(units, said),
      amount: rate === undefined ? figure : convertedPrice(figure, rate),
      place: place(cells, column),
      facts,
      terms,
      rate,
      isPerRoom: said.room !== undefined,
    })
    return since === undefined && until === undefined
      ? made
      : { ...made, ...(since !== undefined && { since }), ...(until !== undefined && { until }) }
  }
}

const ALWAYS: { readonly since?: string; readonly until?: string } = {}

/** The days on which a price holds: in two columns, or both in one cell. */
function daysOf(
  reader: CellReader,
  cells: readonly string[],
): { readonly since?: string | undefined; readonly until?: string | undefined } {
  const range = reader.dateRange('validFrom', cells)
  if (range) return { since: range.from, until: range.until }
  return { since: reader.optionalDate('validFrom', cells), until: reader.optionalDate('validTo', cells) }
}

interface Row {
  readonly is: RowMeaning['is']
  readonly reader: CellReader
  readonly cells: readonly string[]
  readonly column: PriceColumn
  readonly from: CellAt
  readonly units: RowUnits
  /** Plain decimal text. */
  readonly amount: string
  readonly place: string
  readonly facts: (cells: readonly string[]) => SizeFacts
  /** What the terms that were answered are. */
  readonly terms: ReadonlyMap<string, TermAnswer['is']>
  /** What one of the row's currency is worth, where it is another than the list's. */
  readonly rate: string | undefined
  /** Its price is for each GiB of something. */
  readonly isPerRoom: boolean
}

function sizeEntry({
  reader,
  cells,
  column,
  from,
  units,
  amount,
  place,
  facts,
  terms,
  rate,
  isPerRoom,
}: Row): SizeEntry {
  // What a machine costs is not told by a price for each GiB of its memory.
  if (isPerRoom) fail('price', from.text, 'per-room')
  firstBandOnly(reader, cells)
  const payment = reader.word('payment', cells)
  const plan = column.term ?? reader.word('term', cells)
  const term = payment === '' ? plan.trim() : `${plan} ${payment}`.trim()
  if (terms.get(term) === 'left-out') throw RowFault.of({ why: 'term', text: term })
  const paid = reader.optionalFigure('upFront', cells)
  const upFront = paid !== undefined && rate !== undefined ? convertedPrice(paid, rate) : paid
  const zone = reader.text('zone', cells)
  const said = facts(cells)
  const size = reader.name('size', cells)
  const system = column.system ?? reader.word('system', cells)
  const { price, period } = machinePrice(ofMachine(amount, said, units), units)
  const entry: SizeEntry = { is: 'size-price', size, facts: said, place, system, term, price, period, from }
  if (zone === '' && upFront === undefined) return entry
  return {
    ...entry,
    ...(zone !== '' && { zone: reader.name('zone', cells) }),
    ...(upFront !== undefined && { upFront }),
  }
}

/** Prices of machines and disks for more than the first of them are for buyers of many. */
function firstBandOnly(reader: CellReader, cells: readonly string[]): void {
  const begins = reader.optionalFigure('bandFrom', cells)
  if (begins !== undefined && Number(begins) > 1) throw RowFault.of({ why: 'band' })
}

/** By the GiB, bands are of GiB; of whole disks, they are for buyers of many. */
function diskEntry({ reader, cells, from, units, amount, place }: Row): ListEntry {
  const room = reader.optionalFigure('room', cells)
  const disk = reader.name('disk', cells)
  if (room === undefined)
    return {
      is: 'disk-price',
      disk,
      place,
      price: roomPrice(amount, units),
      ...bandOf(reader, cells, units),
      from,
    }
  firstBandOnly(reader, cells)
  return {
    is: 'disk-price',
    disk,
    place,
    wholeGiB: gib(gibOf(room, unitOfCell(reader.text('room', cells), units.diskRoom))),
    price: wholePrice(amount, units),
    from,
  }
}

function bandOf(
  reader: CellReader,
  cells: readonly string[],
  units: RowUnits,
): Pick<PlaceEntry, 'fromGiB' | 'upToGiB'> {
  const [fromGiB, upToGiB] = (['bandFrom', 'bandUpTo'] as const).map((field) =>
    boundOf(reader, field, cells, units),
  )
  return { ...(fromGiB !== undefined && { fromGiB }), ...(upToGiB !== undefined && { upToGiB }) }
}

function placeEntry({ is, reader, cells, from, units, amount, place }: Row): PlaceEntry {
  const price =
    is === 'address-price'
      ? hourlyPrice(amount, units)
      : roomPrice(amount, is === 'traffic-price' ? { ...units, period: 'month' } : units)
  if (is !== 'traffic-price') {
    const use = is === 'address-price' ? addressUseOfText(reader.text('use', cells)) : undefined
    return { is: is as PlaceEntry['is'], place, price, ...(use && { use }), from }
  }
  return { is, place, price, ...bandOf(reader, cells, units), from }
}

/** Where a band begins or ends; words such as "over" and "∞" are no end. */
function boundOf(
  reader: CellReader,
  field: 'bandFrom' | 'bandUpTo',
  cells: readonly string[],
  { diskRoom }: RowUnits,
): number | undefined {
  const text = reader.text(field, cells)
  if (!/\d/.test(text)) return undefined
  return gibOf(reader.figure(field, text), unitOfCell(text, diskRoom))
}
