import { addressUseOfText } from './addressUseOfText.ts'
import { cityIn } from '../catalogue/cities.ts'
import { fromColumn, isNumber, isText, type ColumnFinder } from './columnFinder.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import type { FieldSource, ListField, MappingQuestion, RowKind } from './listMapping.ts'
import { readDate, readDateRange } from '../table/readDate.ts'
import { priceUnitIn } from '../table/priceUnit.ts'
import { roomUnitIn } from '../table/roomUnit.ts'
import { priceColumnsOf } from './priceColumns.ts'
import { pricedColumns } from './pricedColumns.ts'
import type { ProposedRows, SampleTable } from './sampleTable.ts'
import { isCurrencies, proposeCurrency, proposeUnits } from './proposeUnits.ts'

/** Rows that are prices of disks, addresses, traffic or snapshots. */
export function proposeOthers(
  is: Exclude<RowKind, 'size-price'>,
  table: SampleTable,
  finder: ColumnFinder,
  unsure: Set<MappingQuestion>,
): ProposedRows {
  const about = `${table.name} ${table.about ?? ''}`
  const fields: { [Field in ListField]?: FieldSource } = {}
  const put = (field: ListField, found: ColumnTraits | undefined): void => {
    if (found) fields[field] = fromColumn(found)
  }
  const coded = finder.first(isCurrencies)
  put('currency', coded)
  put('validFrom', validFromColumn(finder))
  put('validTo', validToColumn(finder))
  const priced = pricedColumns(finder)
  for (const each of priced) finder.take(each)
  const place = placeColumn(finder)
  put('place', place)
  const unit = finder.named('unit', (each) => each.letters > 0.5) ?? finder.first(isUnits)
  put('unit', unit)
  if (is === 'disk-price') {
    const [begins, ends] = [finder.named('bandFrom', isBound), finder.named('bandUpTo', isBound)]
    put('bandFrom', begins)
    put('bandUpTo', ends)
    const room = finder.named('room', (each) => isNumber(each) && each.wholes === 1)
    put('room', room)
    put('disk', finder.named('disk', isText) ?? finder.first(isText))
    if (!fields.disk) {
      fields.disk = { from: 'constant', text: 'Disk' }
      unsure.add('field/disk')
    }
  } else if (is === 'address-price') {
    put('use', finder.named('use', saysUses) ?? finder.first(saysUses))
  } else if (is === 'traffic-price') {
    put('bandFrom', finder.named('bandFrom', isBound))
    put('bandUpTo', finder.named('bandUpTo', isBound))
  }
  const prices = priceColumnsOf(priced, table)
  if (priced.length === 1) put('price', priced[0])
  if (!place && !prices?.some((each) => each.place !== undefined)) {
    fields.place = { from: 'constant', text: 'Everywhere' }
    unsure.add('field/place')
  }
  if (prices) unsure.add('prices')
  const currency = proposeCurrency(coded, priced, [...table.columns, about])
  return {
    meaning: { is, only: [], fields, ...(prices && { prices }) },
    units: proposeUnits({ is, priced, unit, traits: finder.all, about }, unsure),
    ...(currency && { currency }),
  }
}

/** Such as "per GiB-month" in every cell. */
const isUnits = ({ filled, distinct }: ColumnTraits): boolean =>
  filled.length > 0 &&
  distinct.length <= 5 &&
  distinct.every((text) => roomUnitIn(text) && priceUnitIn(text).period)

/** Several uses of an address, and nothing else. */
const saysUses = ({ distinct }: ColumnTraits): boolean =>
  distinct.length > 1 && distinct.every((text) => addressUseOfText(text))

/** A bound of a band may be left open, or be a word. */
const isBound = ({ filled }: ColumnTraits): boolean => filled.some((cell) => /\d/.test(cell))

/** Dates under a heading that says that something begins with them. */
export const validFromColumn = (finder: ColumnFinder): ColumnTraits | undefined =>
  finder.named('validFrom', (each) => isDates(each) && !saysEnd(each))

/** Dates under a heading that says that something ends with them. */
export const validToColumn = (finder: ColumnFinder): ColumnTraits | undefined =>
  finder.named('validTo', (each) => isDates(each) && saysEnd(each))

const isDates = ({ distinct }: ColumnTraits): boolean =>
  distinct.length > 0 &&
  distinct.every((text) => readDate(text, 'day-first').ok || readDateRange(text, 'day-first') !== undefined)

const saysEnd = ({ words }: ColumnTraits): boolean => words.some((word) => ENDS.has(word))

const ENDS: ReadonlySet<string> = new Set(
  'to until end ends bis expires expiry through tot hasta jusqu'.split(' '),
)

/** By its heading, or by the cities in its cells. */
export const placeColumn = (finder: ColumnFinder): ColumnTraits | undefined =>
  finder.named('place', isText) ??
  finder.first(
    (each) => isText(each) && each.distinct.filter((text) => cityIn(text)).length * 2 > each.distinct.length,
  )
