import { ColumnFinder, fromColumn, isNamed, isText } from './columnFinder.ts'
import { columnTraits, tableMarks, type ColumnTraits } from '../table/columnTraits.ts'
import { joinRow, joinTables } from './joinedRows.ts'
import { cellPart } from './cellPart.ts'
import { markOfLanguage } from '../table/decimalMark.ts'
import { writtenColumns } from './writtenColumns.ts'
import {
  partnerColumn,
  type ListMapping,
  type ListUnits,
  type MappingQuestion,
  type PriceColumn,
  type RowMeaning,
} from './listMapping.ts'
import { pricedColumns } from './pricedColumns.ts'
import { proposeJoins } from './proposeJoins.ts'
import { proposeOthers } from './proposeOthers.ts'
import { proposePlaces } from './proposePlaces.ts'
import { proposeSizes } from './proposeSizes.ts'
import { proposeSystems, proposeTerms } from './proposeTerms.ts'
import { kindGroups, kindOfTable } from './rowKinds.ts'
import type { ProposedRows, SampleTable } from './sampleTable.ts'

/** A first mapping, and which of its answers are guesses. */
export interface ProposedMapping {
  readonly mapping: ListMapping
  readonly unsure: readonly MappingQuestion[]
}

/** Fewer rows of wide tables are looked at: beyond so many cells they tell no more. */
const MOST_CELLS = 200_000

/** From headings and a sample of rows. Nothing is taken for sure that neither heading nor cells say. O(cells). */
export function proposeMapping(samples: readonly SampleTable[]): ProposedMapping {
  const tables = samples.map((table): SampleTable => ({
    ...table,
    rows: table.rows.slice(0, Math.ceil(MOST_CELLS / table.columns.length)),
  }))
  const unsure = new Set<MappingQuestion>()
  const priced =
    tables.length === 1
      ? tables
      : tables.filter((table) => pricedColumns(new ColumnFinder(traitsOf(table))).length > 0)
  const used = new Set(priced.length > 0 ? priced : tables.slice(0, 1))
  const joins = proposeJoins(tables, (table) => used.has(table))
  if (joins.length > 0) unsure.add('joins')
  const byName = new Map<string, SampleTable>(tables.map((table) => [table.name, table]))
  const joined = [...used].map((table) => withPartners(table, joins, byName))
  const rows = alike(joined).flatMap((group) => rowsOf(group, tables.length > 1, unsure))
  const main = rows.find(({ meaning }) => meaning.is === 'size-price') ?? rows[0]!
  const textsIn = (meaning: RowMeaning, fields: readonly TextField[]): ReadonlySet<string>[] =>
    joined
      .filter(({ name }) => !meaning.tables || meaning.tables.includes(name))
      .map((table) => textsOf(table, meaning, fields))
  const sizes = rows.flatMap(({ meaning }) => (meaning.is === 'size-price' ? [meaning] : []))
  const textsOfSizes = (...fields: readonly TextField[]): string[] =>
    distinct(sizes.flatMap((meaning) => textsIn(meaning, fields)))
  const system = proposeSystems(textsOfSizes('system'), unsure)
  const terms = proposeTerms(textsOfSizes('term', 'payment'), unsure)
  const places = proposePlaces(
    rows.flatMap(({ meaning }) => textsIn(meaning, ['place'])),
    unsure,
  )
  const currency =
    rows.find((each) => each.currency?.isSure)?.currency ?? rows.find((each) => each.currency)?.currency
  if (!currency?.isSure) unsure.add('currency')
  return {
    mapping: {
      currency: currency?.code ?? 'EUR',
      units: main.units,
      rows: rows.map(({ meaning, units }) => ({ ...meaning, ...ownUnits(units, main.units) })),
      ...(joins.length > 0 && { joins }),
      ...(system !== undefined && { plainSystem: system }),
      ...(terms.length > 0 && { terms }),
      ...(places.length > 0 && { places }),
    },
    unsure: [...unsure],
  }
}

type TextField = 'system' | 'term' | 'payment' | 'place'

interface JoinedSample extends SampleTable {
  /** What its columns are called in the tables that they come from. */
  readonly headings: readonly string[]
  readonly joinedBy: readonly { readonly column: string; readonly with: string }[]
}

function withPartners(
  table: SampleTable,
  joins: ListMapping['joins'] & {},
  tables: ReadonlyMap<string, SampleTable>,
): JoinedSample {
  const { columns, headings, partners } = joinTables(table, joins, tables)
  return {
    ...table,
    columns,
    headings,
    joinedBy: joins.filter((join) => join.table === table.name),
    rows: table.rows.map((row) => joinRow(row, table.columns.length, partners).cells),
  }
}

const traitsOf = (
  { columns, rows, mark }: SampleTable,
  headings: readonly string[] = columns,
): ColumnTraits[] => {
  const marks = tableMarks(rows, markOfLanguage(headings) ?? mark)
  return columns.map((column, i) =>
    columnTraits(
      column,
      rows.map((row) => row[i] ?? ''),
      marks,
      headings[i],
    ),
  )
}

/** Tables with the same columns, such as a sheet for each place, are read alike. */
function alike(tables: readonly JoinedSample[]): JoinedSample[][] {
  const groups = new Map<string, JoinedSample[]>()
  for (const table of tables) {
    const key = JSON.stringify(table.columns)
    const group = groups.get(key)
    if (group) group.push(table)
    else groups.set(key, [table])
  }
  return [...groups.values()]
}

/** A meaning for each kind of row, where a column tells them apart. */
function rowsOf(
  group: readonly JoinedSample[],
  isNamed: boolean,
  unsure: Set<MappingQuestion>,
): ProposedRows[] {
  const table: JoinedSample = { ...group[0]!, rows: group.flatMap(({ rows }) => rows) }
  const whole = traitsOf(table, table.headings)
  const groups = kindGroups(whole)
  if (groups.length === 0) return [proposed(kindOfTable(table.name, whole), table, [], whole)]
  unsure.add('rows')
  return groups.map(({ kind, column, values }) => {
    const i = table.columns.indexOf(column)
    const rows = table.rows.filter((row) => values.includes((row[i] ?? '').trim()))
    const part = { ...table, rows }
    return proposed(kind, part, [{ column, values }], traitsOf(part, table.headings))
  })

  function proposed(
    is: RowMeaning['is'],
    part: JoinedSample,
    only: RowMeaning['only'],
    all: readonly ColumnTraits[],
  ): ProposedRows {
    const traits = all.filter(({ column }) => only.every((each) => each.column !== column))
    const finder = new ColumnFinder(traits)
    const found =
      is === 'size-price' ? proposeSizes(part, finder, unsure) : proposeOthers(is, part, finder, unsure)
    const { fields } = found.meaning
    for (const field of ['size', 'place'] as const) {
      const source = fields[field]
      const better = source?.from === 'column' && betterName(field, source.column, part, traits)
      if (better) Object.assign(fields, { [field]: fromColumn(better) })
    }
    if (group.length > 1 && fields.place?.from === 'constant')
      Object.assign(fields, { place: { from: 'table' } })
    const { written, dateOrder } = writtenColumns(found, traits, unsure)
    return {
      ...found,
      units: { ...found.units, ...(dateOrder && { dateOrder }) },
      meaning: {
        ...found.meaning,
        ...(written.length > 0 && { written }),
        only: [...only, ...found.meaning.only],
        ...(isNamed && { tables: group.map(({ name }) => name) }),
      },
    }
  }
}

/** The name that was found for a code: the partner's own words for what was looked up. */
function betterName(
  field: 'size' | 'place',
  column: string,
  { joinedBy, columns, headings }: JoinedSample,
  traits: readonly ColumnTraits[],
): ColumnTraits | undefined {
  const join = joinedBy.find((each) => each.column === column)
  if (!join) return undefined
  return traits.find((each) => {
    const heading = headings[columns.indexOf(each.column)]!
    return (
      each.column !== heading &&
      each.column.startsWith(partnerColumn(join.with, '')) &&
      isText(each) &&
      isNamed(each, field)
    )
  })
}

/** Every text that fields say together in the rows of a meaning. */
function textsOf(
  table: JoinedSample,
  { fields, prices, only }: RowMeaning,
  names: readonly TextField[],
): Set<string> {
  const at = new Map(table.columns.map((column, i) => [column, i]))
  const read = (name: TextField, row: readonly string[]): string => {
    const source = fields[name]
    if (!source) return ''
    if (source.from === 'constant') return source.text
    const cell = source.from === 'table' ? table.name : (row[at.get(source.column) ?? -1] ?? '').trim()
    return source.part ? (cellPart(cell, source.part) ?? '') : cell
  }
  const texts = new Set<string>()
  for (const row of table.rows) {
    if (!only.every(({ column, values }) => values.includes((row[at.get(column) ?? -1] ?? '').trim())))
      continue
    for (const column of prices ?? [{ column: '' }]) {
      const said: PriceColumn = column
      const text = names
        .map((name) => (name === 'payment' ? undefined : said[name]) ?? read(name, row))
        .join(' ')
        .trim()
      texts.add(text)
    }
  }
  return texts
}

const distinct = (sets: readonly ReadonlySet<string>[]): string[] => [
  ...new Set(sets.flatMap((set) => [...set])),
]

/** What units are where they say nothing: rows of one table must not have what another's say. */
const UNSAID = { parts: 1, each: 'machine' } as const satisfies Partial<ListUnits>

/** Where rows are counted otherwise than the list's sizes. */
function ownUnits(units: ListUnits, main: ListUnits): Pick<RowMeaning, 'units'> {
  const list: ListUnits = { ...UNSAID, ...main }
  const own = Object.fromEntries(
    Object.entries({ ...UNSAID, ...units }).filter(
      ([unit, value]) => value !== list[unit as keyof ListUnits],
    ),
  )
  return Object.keys(own).length > 0 ? { units: own } : {}
}
