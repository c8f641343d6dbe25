import { inferPart } from './cellPart.ts'
import { columnTraits, wordsOf, type ColumnTraits } from './columnTraits.ts'
import { currencyOfSign, FIELD_WORDS, PLAIN_SYSTEM, UNBOUND_TERM } from './listWords.ts'
import type {
  ColumnFilter,
  FieldSource,
  ListField,
  ListMapping,
  ListUnits,
  MappingQuestion,
  MemoryUnit,
  PricePeriod,
  RowMeaning,
} from './listMapping.ts'
import type { DecimalMark } from './readFigure.ts'

/** A first mapping, and which of its answers are guesses. */
export interface ProposedMapping {
  readonly mapping: ListMapping
  readonly unsure: readonly MappingQuestion[]
}

type Words = keyof typeof FIELD_WORDS

/** From headings and a sample of rows. Nothing is taken for sure that neither heading nor cells say. O(cells). */
export function proposeMapping(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  mark?: DecimalMark,
): ProposedMapping {
  const traits = columns.map((column, i) =>
    columnTraits(
      column,
      rows.map((row) => row[i] ?? ''),
      mark,
    ),
  )
  const unsure = new Set<MappingQuestion>()
  const free = new Set(traits)
  const take = (found: ColumnTraits | undefined): ColumnTraits | undefined => {
    if (found) free.delete(found)
    return found
  }
  const best = (words: Words, fits: (traits: ColumnTraits) => boolean): ColumnTraits | undefined => {
    const named = [...free].filter(
      (each) => fits(each) && each.words.some((word) => FIELD_WORDS[words].has(word)),
    )
    return take(named.sort((a, b) => rankOf(a, words) - rankOf(b, words))[0])
  }
  const fields: { [Field in ListField]?: FieldSource } = {}
  const put = (field: ListField, found: ColumnTraits | undefined): void => {
    if (found) fields[field] = { from: 'column', column: found.column }
  }
  const isText = ({ numbers, filled }: ColumnTraits): boolean => filled.length > 0 && numbers < 0.5
  const isNumber = ({ numbers }: ColumnTraits): boolean => numbers > 0.6

  const currency = take(
    [...free].find(
      ({ distinct }) => distinct.length > 0 && distinct.every((cell) => /^[A-Z]{3}$/.test(cell)),
    ),
  )
  put('currency', currency)
  const vcpu = best('vcpu', (each) => isNumber(each) && each.largest <= 1_024)
  const memory = best('memory', (each) => isNumber(each))
  put('vcpu', vcpu)
  put('memory', memory)
  put('architecture', best('architecture', isText))
  const place = best('place', isText)
  const isWord = ({ letters, distinct }: ColumnTraits): boolean => letters > 0.5 && distinct.length < 20
  const system = best('system', isWord)
  const term = best('term', isWord)
  put('family', best('family', isText))
  const price = best('price', (each) => isNumber(each))
  const places = price ? [] : placesAcross([...free])
  const size =
    best('size', isText) ??
    take([...free].filter(isText).sort((a, b) => b.distinct.length - a.distinct.length)[0])
  put('size', size)
  if (size && !size.words.some((word) => FIELD_WORDS.size.has(word))) unsure.add('field/size')
  put('place', place)
  if (!place && places.length === 0) {
    fields.place = { from: 'constant', text: 'Everywhere' }
    unsure.add('field/place')
  }
  const lonePrice =
    price ??
    (places.length > 0 ? undefined : take([...free].filter((each) => isNumber(each) && each.wholes < 1)[0]))
  put('price', lonePrice)
  if (!price && lonePrice) unsure.add('field/price')
  if (places.length > 0) unsure.add('places')
  for (const field of ['vcpu', 'memory'] as const) {
    if (fields[field]) continue
    const inside = insideCell(field, traits)
    if (inside) fields[field] = inside
    unsure.add(`field/${field}`)
  }

  const only = [filterOn(system, PLAIN_SYSTEM), filterOn(term, UNBOUND_TERM)].flatMap(
    (filter) => filter ?? [],
  )
  if (only.length > 0) unsure.add('rows')
  const priced = lonePrice ? [lonePrice] : traits.filter(({ column }) => places.includes(column))
  const meaning: RowMeaning = { is: 'size-price', only, fields, ...(places.length > 0 && { places }) }
  const sign = signOf(priced, columns)
  const said = currency?.distinct.length === 1 ? currency.distinct[0] : undefined
  if (said === undefined && !sign?.isSure) unsure.add('currency')
  return {
    mapping: {
      currency: said ?? currency?.distinct[0] ?? sign?.currency ?? 'EUR',
      units: unitsOf({ vcpu, memory, priced, traits, mark }, unsure),
      rows: [meaning],
    },
    unsure: [...unsure],
  }
}

const rankOf = ({ words }: ColumnTraits, field: Words): number => {
  const known = [...FIELD_WORDS[field]]
  return Math.min(...words.map((word) => known.indexOf(word)).filter((at) => at >= 0))
}

/** Columns of prices whose headings are no fields: each is a place. */
function placesAcross(free: readonly ColumnTraits[]): string[] {
  const all = Object.values(FIELD_WORDS)
  const found = free.filter(
    ({ words, numbers, wholes, filled }) =>
      filled.length > 0 &&
      numbers > 0.8 &&
      wholes < 1 &&
      !words.some((word) => all.some((known) => known.has(word))),
  )
  return found.length >= 2 ? found.map(({ column }) => column) : []
}

/** "4 vCPU, 16 GiB" or "std-4x16" in a text column: what stands by its word, or as one of two numbers. */
function insideCell(field: 'vcpu' | 'memory', traits: readonly ColumnTraits[]): FieldSource | undefined {
  const words =
    field === 'vcpu' ? /(\d+)\s*(?:x\s*)?(v?cpus?|cores?|v?kerne)/i : /(\d+(?:[.,]\d+)?)\s*(gi?b|gi?\b|mi?b)/i
  for (const { column, filled } of traits) {
    const cell = filled.find((text) => words.test(text))
    const picked = cell && words.exec(cell)![1]
    const part = cell && picked && inferPart([{ cell, picked }], filled)
    if (part && filled.filter((text) => words.test(text)).length > filled.length * 0.8)
      return { from: 'column', column, part }
  }
  for (const { column, filled } of traits) {
    const two = filled.filter(
      (text) => (text.match(/\d+(?:[.,]\d+)?/g) ?? []).length === 2 && /\p{L}/u.test(text),
    )
    if (filled.length > 0 && two.length > filled.length * 0.8) {
      return { from: 'column', column, part: { by: 'number', at: field === 'vcpu' ? 0 : 1 } }
    }
  }
  return undefined
}

/** Rows of several systems or terms: those that cost nothing more, or bind to nothing, where one of them says so. */
function filterOn(traits: ColumnTraits | undefined, plain: RegExp): ColumnFilter | undefined {
  if (!traits || traits.distinct.length < 2) return undefined
  const value = traits.distinct.find((text) => plain.test(text)) ?? traits.distinct[0]!
  return { column: traits.column, values: [value] }
}

function signOf(priced: readonly ColumnTraits[], columns: readonly string[]) {
  for (const { filled } of priced) {
    const sign = filled.length > 0 ? currencyOfSign(filled[0]!) : undefined
    if (sign) return sign
  }
  for (const column of columns) {
    const code = wordsOf(column).find((word) => /^(eur|usd|gbp|inr|cad|chf|jpy|aud|sek|pln)$/.test(word))
    if (code) return { currency: code.toUpperCase(), isSure: true }
    const sign = currencyOfSign(column)
    if (sign) return sign
  }
  return undefined
}

interface UnitClues {
  readonly vcpu: ColumnTraits | undefined
  readonly memory: ColumnTraits | undefined
  readonly priced: readonly ColumnTraits[]
  readonly traits: readonly ColumnTraits[]
  readonly mark: DecimalMark | undefined
}

function unitsOf({ vcpu, memory, priced, traits, mark }: UnitClues, unsure: Set<MappingQuestion>): ListUnits {
  const countsCores = vcpu?.words.some((word) => /^(cores?|kerne|coeurs)$/.test(word)) ?? false
  if (countsCores) unsure.add('vcpuPerCount')
  const period = periodOf(priced, traits)
  if (!period.isSure) unsure.add('period')
  const perCount = countOf(priced)
  if (perCount > 1) unsure.add('perCount')
  return {
    memory: memoryUnitOf(memory, traits, unsure),
    vcpuPerCount: countsCores ? 2 : 1,
    period: period.value,
    perCount,
    diskRoom: 'GiB',
    ...(mark && { decimalMark: mark }),
  }
}

function memoryUnitOf(
  memory: ColumnTraits | undefined,
  traits: readonly ColumnTraits[],
  unsure: Set<MappingQuestion>,
): MemoryUnit {
  const said = `${memory?.column ?? ''} ${memory?.filled[0] ?? ''} ${memory ? '' : traits.map(({ column, filled }) => `${column} ${filled[0] ?? ''}`).join(' ')}`
  if (/\bgib\b|gib(?![a-z])/i.test(said)) return 'GiB'
  if (/\bmib\b|mib(?![a-z])/i.test(said)) return 'MiB'
  // GB is written by many who mean GiB.
  unsure.add('memory')
  if (/mb(?![a-z])/i.test(said)) return 'MB'
  return /gb(?![a-z])/i.test(said) ? 'GB' : (memory?.median ?? 0) > 2_000 ? 'MiB' : 'GiB'
}

const PERIOD_SIGNS: readonly (readonly [RegExp, PricePeriod])[] = [
  [/\b(hour|hourly|hr|hrs|h|stunde|heure)\b|\/\s*h/i, 'hour'],
  [/\b(month|monthly|mo|mth|monat|mois)\b|\/\s*mo/i, 'month'],
  [/\b(second|sec|sekunde)\b|\/\s*s\b/i, 'second'],
  [/\b(year|yearly|annual|yr|jahr|an)\b/i, 'year'],
]

function periodOf(
  priced: readonly ColumnTraits[],
  traits: readonly ColumnTraits[],
): { readonly value: PricePeriod; readonly isSure: boolean } {
  const units = traits.filter(({ words }) => words.some((word) => FIELD_WORDS.unit.has(word)))
  const texts = [
    ...priced.map(({ column, filled }) => `${column.replace(/_/g, ' ')} ${filled[0] ?? ''}`),
    ...units.map(({ column, filled }) => `${column.replace(/_/g, ' ')} ${filled[0] ?? ''}`),
  ]
  for (const text of texts) {
    const sign = PERIOD_SIGNS.find(([pattern]) => pattern.test(text))
    if (sign) return { value: sign[1], isSure: true }
  }
  // Machines that cost this much an hour are rare, and so are months below it.
  return { value: (priced[0]?.median ?? 0) > 4 ? 'month' : 'hour', isSure: false }
}

function countOf(priced: readonly ColumnTraits[]): number {
  const found = priced.flatMap(
    ({ column }) => /\b(?:per|je|pour)\s*(1,?000|10,?000)\b/i.exec(column)?.[1] ?? [],
  )
  return found[0] === undefined ? 1 : Number(found[0].replace(',', ''))
}
