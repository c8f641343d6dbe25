import { cityIn, cityNamed } from '../../core/catalogue/cities.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { bookDoubts } from '../../core/plausible/bookDoubts.ts'
import { unitMend } from '../../core/pricelist/unitMend.ts'
import { answerPrices } from '../../core/pricelist/answerPrices.ts'
import { compileMapping, meaningsOf } from '../../core/pricelist/compileMapping.ts'
import { bookOfList } from '../../core/pricelist/bookOfList.ts'
import { fitMapping, type FittedMapping } from '../../core/pricelist/fitRecipe.ts'
import { joinRow, joinTables } from '../../core/pricelist/joinedRows.ts'
import { ListCollector } from '../../core/pricelist/ListCollector.ts'
import type { Contradiction } from '../../core/pricelist/ListTroubles.ts'
import { oddPrices, proofs } from '../../core/pricelist/listChecks.ts'
import type { ListMapping, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import { proposeMapping } from '../../core/pricelist/proposeMapping.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { parsePriceBook } from '../priceBook/priceBookFile.ts'
import { bookToFile } from '../priceBook/priceBookDocument.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import type { JoinReading, ListDoubt, ListQuestion, ListReading, TableReading } from './listAnswer.ts'
import { UnreadableList } from './listTable.ts'
import { openTables } from './openTables.ts'
import { beginningOf, readWhole, type TableBeginning } from './tableBeginning.ts'
import { TableSampler } from './TableSampler.ts'

const PICTURE_SIZES = 700
const PICTURE_PLACES = 60
const MOST_EXAMPLES = 20

type Steps = AsyncGenerator<number, Outcome<ListReading, FileIssue>>

/** Reads a list once, from its beginning to its end, as its mapping says, or as is proposed. Steps are rows read. */
export async function* readList(question: ListQuestion): Steps {
  try {
    return yield* readTables(question)
  } catch (error) {
    if (!(error instanceof UnreadableList)) throw error
    const [text, expected] = error.message.split(' Expected: ') as [string, string?]
    return refuse(problem(text, expected ?? 'a price list in CSV, JSON or as a spreadsheet.'))
  }
}

async function* readTables(question: ListQuestion): Steps {
  const all: TableBeginning[] = []
  for (const table of await openTables(question.source)) all.push(await beginningOf(table))
  const tables = all.filter(({ columns, rows }) => columns.length > 1 && rows.length > 0)
  if (tables.length === 0) return refuse(nothingIn(all))
  const said = mappingOf(question, tables)
  if (!said.ok) return refuse(...said.issues)
  const { mapping, unsure, recipe } = said.value
  const { provider, manner } = recipe ?? question
  const partners = new Set(mapping.joins?.map((join) => join.with))
  const byName = new Map<string, TableBeginning>()
  for (const table of tables)
    byName.set(table.name, partners.has(table.name) ? await readWhole(table) : table)
  const found = new ListCollector(mapping, question.from)
  const readings: TableReading[] = []
  const joins: JoinReading[] = []
  for (const table of byName.values()) {
    const isRead = meaningsOf(mapping, table.name).length > 0
    const steps = readTable(table, mapping, byName, found, isRead)
    for (let step = steps.next(); ; step = steps.next()) {
      const { done, value } = await step
      if (done) {
        joins.push(...value.joins)
        readings.push(
          value.sampler.reading(isRead ? 'prices' : partners.has(table.name) ? 'partner' : 'unused'),
        )
        break
      }
      yield value
    }
  }
  const told = found.troubles.contradictions.map((each) => ({ ...each, isPlain: isPlain(each, found) }))
  const settled = answerPrices(found, mapping.answers ?? [])
  const head = { ...provider, currency: mapping.currency, from: question.from }
  const list =
    found.sizes.size === 0
      ? undefined
      : bookOfList(found, { head, manner, unsure, ...(mapping.places && { places: mapping.places }) })
  const hasPrices = list && Object.values(list.book.prices).some(({ sizes }) => Object.keys(sizes).length > 0)
  const checked = hasPrices ? parsePriceBook(bookToFile(list.book)) : undefined
  return accept({
    tables: readings,
    joins,
    mapping,
    unsure,
    provider,
    manner,
    isByRecipe: recipe !== undefined,
    rows: found.rows,
    used: found.used,
    leftOut: found.leftOut(),
    contradictions: told.filter((each) => !isAnswered(each, mapping.answers)),
    odd: oddPrices(found, settled),
    doubts: hasPrices ? doubtsOf(list.book, question, mapping, unsure) : [],
    unheld: list?.unheld ?? [],
    duplicates: found.duplicates,
    beyond: found.beyond,
    offers: found.offers,
    places: placesOf(found, mapping),
    ...pictureOf(found),
    proofs: proofs(found),
    ...(list && checked?.ok && { book: list.book }),
    issues: checked && !checked.ok ? checked.issues : [],
  })
}

/** The meaning of the rows that a doubt is about; disks that come with no rows of their own are of none. */
function doubtsOf(
  book: PriceBook,
  { others = [] }: ListQuestion,
  mapping: ListMapping,
  unsure: readonly MappingQuestion[],
): ListDoubt[] {
  return bookDoubts(book, others).map((doubt): ListDoubt => {
    const kind = doubt.about === 'diskGiBMonth' ? 'disk-price' : 'size-price'
    const at = mapping.rows.findIndex(({ is }) => is === kind)
    const mend =
      at < 0 ? undefined : unitMend(doubt, { ...mapping.units, ...mapping.rows[at]!.units }, unsure)
    return { doubt, ...(mend && { mend: { ...mend, at } }) }
  })
}

/** Whether both are prices on demand of a size: what a person can answer. */
const isPlain = ({ about, of, place = '', first }: Contradiction, { sizes }: ListCollector): boolean => {
  const from = sizes.get(of)?.prices.get(place)?.from
  return (
    about === 'price' && from?.row === first.row && from.column === first.column && from.table === first.table
  )
}

const isAnswered = (
  { about, of, place, first }: Contradiction,
  answers: ListMapping['answers'] = [],
): boolean =>
  about === 'price' &&
  answers.some((each) => each.size === of && each.place === place && each.listed === first.value)

interface Said {
  readonly mapping: ListMapping
  readonly unsure: readonly MappingQuestion[]
  readonly recipe?: Pick<ListReading, 'provider' | 'manner'>
}

/** The mapping that was asked for, that of the first recipe of the list's shape, or a proposal. */
function mappingOf(question: ListQuestion, tables: readonly TableBeginning[]): Outcome<Said, FileIssue> {
  if (question.mapping) return accept({ mapping: question.mapping, unsure: question.assumed ?? [] })
  let lacking: Extract<FittedMapping, { ok: false }>['lacking'] = []
  for (const recipe of question.recipes ?? []) {
    const fitted = fitMapping(recipe.mapping, tables)
    if (fitted.ok) return accept({ mapping: fitted.mapping, unsure: recipe.assumed ?? [], recipe })
    ;({ lacking } = fitted)
  }
  if (!question.onlyByRecipe) {
    const { mapping, unsure } = proposeMapping(tables)
    return accept({ mapping, unsure })
  }
  const issues = lacking.map(({ table, column }) =>
    problem(
      `There is no column “${column}”${table === undefined ? '' : ` in a table such as “${table}”`}, which the recipe reads.`,
      'a list of the shape that the recipe was made for.',
    ),
  )
  return refuse(...(issues as [FileIssue, ...FileIssue[]]))
}

async function* readTable(
  table: TableBeginning,
  mapping: ListMapping,
  tables: ReadonlyMap<string, TableBeginning>,
  found: ListCollector,
  isRead: boolean,
): AsyncGenerator<number, { sampler: TableSampler; joins: JoinReading[] }> {
  const { columns, partners, repeated } = joinTables(table, mapping.joins ?? [], tables)
  const read = compileMapping(mapping, { name: table.name, columns })
  const sampler = new TableSampler(table.name, columns)
  const counts = partners.map(({ join }) => ({ join, found: 0, lacking: 0, examples: new Set<string>() }))
  const isNamed = tables.size > 1
  let row = table.above
  const take = (own: readonly string[]): void => {
    row += 1
    if (!isRead) return sampler.add(row, own, [])
    const { cells, lacking, lackingAt } = joinRow(own, table.columns.length, partners)
    counts.forEach((count, i) => {
      if (lacking === undefined || i < lackingAt!) count.found += 1
      else if (i === lackingAt) {
        count.lacking += 1
        if (count.examples.size < MOST_EXAMPLES) count.examples.add(lacking)
      }
    })
    const isEmpty = lacking !== undefined && own.every((cell) => cell.trim() === '')
    const said =
      lacking === undefined || isEmpty
        ? read(cells, row)
        : { entries: [], leftOut: [{ why: 'no-partner', text: lacking } as const] }
    found.add(row, said, isNamed ? table.name : undefined)
    sampler.add(row, cells, said.entries, said.leftOut[0])
  }
  for (const cells of table.rows) take(cells)
  if (table.isCostly && !isRead) await table.rest.return(undefined)
  for await (const batch of table.rest) {
    for (const cells of batch) take(cells)
    yield found.rows
  }
  const joins = counts.map(({ examples, ...count }) => ({
    ...count,
    examples: [...examples],
    repeated: repeated.slice(0, MOST_EXAMPLES),
  }))
  return { sampler, joins }
}

function nothingIn(tables: readonly TableBeginning[]): FileIssue {
  return tables.every(({ rows }) => rows.length === 0)
    ? problem('The list has no rows.', 'a table with headings and prices.')
    : problem('The list has one column only.', 'columns parted by a comma, semicolon, tab or bar.')
}

/** A line for each place, a letter for each size: sold or not. */
function pictureOf({ sizes, places }: ListCollector): Pick<ListReading, 'picture' | 'prices'> {
  const all = [...sizes.values()]
  const shown = all.slice(0, PICTURE_SIZES)
  return {
    picture: [...places]
      .slice(0, PICTURE_PLACES)
      .map((place) =>
        shown.map(({ prices, offers }) => (prices.has(place) || offers.has(place) ? 'x' : '.')).join(''),
      ),
    prices: all.reduce((sum, { prices }) => sum + prices.size, 0),
  }
}

const placesOf = ({ places }: ListCollector, mapping: ListMapping): ListReading['places'] =>
  [...places].map((name) => {
    const said = mapping.places?.find((each) => (each.name ?? each.text) === name)?.city
    const city = said === undefined ? cityIn(name) : cityNamed(said)
    return { name, ...(city && { city: city.name }) }
  })

const problem = (text: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: '',
  problem: text,
  expected,
})
