import type { ColumnTraits } from '../table/columnTraits.ts'
import { fromColumn, isNamed, isNumber, isText, isWord, type ColumnFinder } from './columnFinder.ts'
import { insideCell } from './insideCell.ts'
import type { ColumnFilter, FieldSource, ListField, MappingQuestion, PriceColumn } from './listMapping.ts'
import { PLAIN_SYSTEM } from './listWords.ts'
import { priceColumnsOf } from './priceColumns.ts'
import { isChosenAmong, isMoney, pricedColumns } from './pricedColumns.ts'
import type { ProposedRows, SampleTable } from './sampleTable.ts'
import { placeColumn, validFromColumn, validToColumn } from './proposeOthers.ts'
import { isPerRoom, priceUnitIn } from '../table/priceUnit.ts'
import { roomUnitIn } from '../table/roomUnit.ts'
import { isCurrencies, proposeCurrency, proposeUnits } from './proposeUnits.ts'
import { termOfText } from './termOfText.ts'

const FACTS = ['network', 'localDisk', 'mostDisks', 'iops', 'throughput'] as const

/** Rows that are prices of sizes. */
export function proposeSizes(
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
  for (const each of [...finder.free].filter((each) => isOfAccelerator(each) || isPerRoom(each.column)))
    finder.take(each)
  const vcpu = finder.named('vcpu', (each) => isNumber(each) && each.largest <= 1_024)
  const memory = finder.named('memory', isNumber) ?? (vcpu && finder.first(isRoomAlone))
  put('vcpu', vcpu)
  put('memory', memory)
  put('architecture', finder.named('architecture', isText))
  for (const field of FACTS)
    put(
      field,
      finder.named(field, (each) => isNumber(each) && each.wholes === 1),
    )
  put('upFront', finder.named('upFront', isNumber))
  const said = pricedColumns(finder)
  if (isChosenAmong(said, finder)) unsure.add('field/price')
  const [guessed] = said.length > 0 ? [] : [finder.first((each) => isNumber(each) && each.wholes < 1)]
  const priced = guessed ? [guessed] : said
  for (const each of priced) finder.take(each)
  put(
    'bandFrom',
    finder.named('bandFrom', (each) => isNumber(each) && each.wholes === 1),
  )
  const unit = finder.named('unit', saysPeriod)
  put('unit', unit)
  const place = placeColumn(finder)
  put('payment', finder.named('payment', isWord))
  put('system', finder.named('system', isWord) ?? finder.first(isSystems))
  put(
    'term',
    finder.named('term', isTerms) ??
      finder.first((each) => isTerms(each) && !isNamed(each, 'size')) ??
      finder.named('term', isPlainTerms),
  )
  put('zone', finder.named('zone', isText))
  put('family', finder.named('family', isText))
  const size = finder.named('size', isText) ?? mostTexts(finder)
  put('size', size)
  if (size && !isNamed(size, 'size')) unsure.add('field/size')
  put('place', place)
  const prices = priceColumnsOf(priced, table)
  if (!place && !prices?.some((each) => each.place !== undefined)) {
    fields.place = { from: 'constant', text: 'Everywhere' }
    unsure.add('field/place')
  }
  if (priced.length === 1) put('price', priced[0])
  const isCalled = priced.length === 1 && (isNamed(priced[0]!, 'price') || isMoney(priced[0]!))
  if (priced.length === 0 || (priced.length === 1 && !isCalled)) unsure.add('field/price')
  if (prices) unsure.add('prices')
  for (const field of ['vcpu', 'memory'] as const) {
    if (fields[field]) continue
    const inside = insideCell(field, finder.all)
    if (inside) fields[field] = inside
    unsure.add(`field/${field}`)
  }
  const only = filtersOf(table, fields, prices, finder)
  if (only.length > 0) unsure.add('rows')
  const currency = proposeCurrency(coded, priced, [...table.columns, about])
  return {
    meaning: { is: 'size-price', only, fields, ...(prices && { prices }) },
    units: proposeUnits({ is: 'size-price', vcpu, memory, priced, unit, traits: finder.all, about }, unsure),
    ...(currency && { currency }),
  }
}

/** Figures of something else than the machine’s own processors and memory. */
const isOfAccelerator = ({ words }: ColumnTraits): boolean =>
  words.some((word) => /^(gpus?|vgpus?|accelerators?|graphics?|grafik|vram|video)$/.test(word))

/** A heading that names a unit of room and nothing else, beside one of vCPU. */
const isRoomAlone = (each: ColumnTraits): boolean =>
  isNumber(each) && each.column.trim().length <= 3 && roomUnitIn(each.column) !== undefined

const isTerms = ({ distinct, filled }: ColumnTraits): boolean =>
  filled.length > 0 &&
  distinct.length <= 20 &&
  distinct.some((text) => ['commitment', 'spot'].includes(termOfText(text)?.is ?? '')) &&
  distinct.filter((text) => termOfText(text)).length * 2 > distinct.length

/** One of them says at the least that nothing is bound. */
const isPlainTerms = (each: ColumnTraits): boolean =>
  isWord(each) && each.distinct.some((text) => termOfText(text) !== undefined)

const saysPeriod = (each: ColumnTraits): boolean =>
  each.letters > 0.5 && each.distinct.some((text) => priceUnitIn(text).period !== undefined)

const isSystems = ({ distinct }: ColumnTraits): boolean =>
  distinct.length >= 2 &&
  distinct.length <= 12 &&
  distinct.some((text) => PLAIN_SYSTEM.test(text) && /linux/i.test(text))

function mostTexts(finder: ColumnFinder): ColumnTraits | undefined {
  const [most] = [...finder.free].filter(isText).sort((a, b) => b.distinct.length - a.distinct.length)
  return finder.take(most)
}

const MOST_VALUES = 6
const USUAL = /shared|standard|default|normal|public|usual|\bno\b|none/i

/** Where one size has several prices in a place that differ in one more column, such as whose hardware it is: the usual one. */
function filtersOf(
  { columns, rows }: SampleTable,
  fields: ProposedRows['meaning']['fields'],
  prices: readonly PriceColumn[] | undefined,
  { free }: ColumnFinder,
): ColumnFilter[] {
  const keys = (
    ['size', 'place', 'system', 'term', 'payment', 'zone', 'bandFrom', 'validFrom'] as const
  ).flatMap((field) => {
    const source = fields[field]
    return source?.from === 'column' && !source.part ? [columns.indexOf(source.column)] : []
  })
  const price = prices ? columns.indexOf(prices[0]!.column) : columns.indexOf(sourceColumn(fields.price))
  const keyOf = (row: readonly string[]): string => keys.map((at) => row[at] ?? '').join('\n')
  return [...free].flatMap((each): ColumnFilter[] => {
    const { column, distinct } = each
    if (!isWord(each) || distinct.length < 2 || distinct.length > MOST_VALUES) return []
    const at = columns.indexOf(column)
    const seen = new Map<string, readonly [string, string]>()
    let differing = 0
    for (const row of rows) {
      const key = keyOf(row)
      const own = [(row[at] ?? '').trim(), row[price] ?? ''] as const
      const before = seen.get(key)
      if (!before) seen.set(key, own)
      else if (before[0] !== own[0] && before[1] !== own[1]) differing += 1
    }
    if (differing * 4 < seen.size) return []
    return [{ column, values: [distinct.find((text) => USUAL.test(text)) ?? distinct[0]!] }]
  })
}

const sourceColumn = (source: FieldSource | undefined): string =>
  source?.from === 'column' ? source.column : ''
