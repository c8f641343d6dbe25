import Joi from 'joi'
import { MANNERS } from '../../core/manner/manners.ts'
import {
  LIST_FIELDS,
  MEMORY_UNITS,
  MOST_PER_COUNT,
  ROW_KINDS,
  type CellPart,
  type ColumnFilter,
  type FieldSource,
  type ListField,
  type ListMapping,
  type ListUnits,
  type CurrencyRate,
  type PlaceAnswer,
  type PriceAnswer,
  type PriceColumn,
  type RowMeaning,
  type TableJoin,
  type TermAnswer,
  type WrittenColumn,
} from '../../core/pricelist/listMapping.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { PARTS_OF_MONEY, PRICE_PERIODS } from '../../core/table/priceUnit.ts'
import type { PriceRecipe } from '../../core/pricelist/priceRecipe.ts'
import {
  currency,
  date,
  id,
  label,
  listOf,
  need,
  objectBy,
  objectOf,
  price,
  tag,
  type Fields,
} from '../reading/rules.ts'

export const RECIPE_KIND = 'notchgauge/price-recipe'
export const RECIPE_VERSION = 1

/** A recipe as it stands in its file. */
export interface RecipeFile extends PriceRecipe {
  readonly format: string
}

const heading = label(200)
const tableName = label(80)
const text = Joi.string().max(160).allow('')
const vcpuPerCount = Joi.number().integer().min(1).max(16)
const perCount = Joi.number().integer().min(1).max(MOST_PER_COUNT)
const parts = Joi.valid(...PARTS_OF_MONEY)
const each = Joi.valid('machine', 'vcpu', 'core')
const decimalMark = Joi.valid('.', ',')
const dateOrder = Joi.valid(...DATE_ORDERS)
const place = Joi.number().integer().min(-50).max(50)
type PartBy<By extends CellPart['by']> = Extract<CellPart, { readonly by: By }>

const part = objectBy<CellPart>('by', {
  number: objectOf<PartBy<'number'>>({ by: tag('number'), at: need(place) }),
  word: objectOf<PartBy<'word'>>({ by: tag('word'), at: need(place) }),
  before: objectOf<PartBy<'before'>>({ by: tag('before'), word: need(label(40)) }),
  after: objectOf<PartBy<'after'>>({ by: tag('after'), word: need(label(40)) }),
}).description(
  'The number or word at a place, from the beginning (0) or the end (-1), or the number beside a word.',
)

type SourceFrom<From extends FieldSource['from']> = Extract<FieldSource, { readonly from: From }>

const source = objectBy<FieldSource>('from', {
  column: objectOf<SourceFrom<'column'>>({ from: tag('column'), column: need(heading), part }),
  table: objectOf<SourceFrom<'table'>>({ from: tag('table'), part }),
  constant: objectOf<SourceFrom<'constant'>>({ from: tag('constant'), text: need(label(80).allow('')) }),
})

const fields = objectOf<RowMeaning['fields']>(
  Object.fromEntries(LIST_FIELDS.map((field) => [field, source])) as unknown as Fields<{
    readonly [Field in ListField]?: FieldSource
  }>,
)

const meaning = objectOf<RowMeaning>({
  is: need(Joi.valid(...ROW_KINDS)),
  only: need(
    listOf(
      objectOf<ColumnFilter>({
        column: need(heading),
        values: need(listOf(Joi.string().max(80).allow(''), 200)),
      }),
      20,
    ),
  ).description('Only rows in which these columns read one of these texts.'),
  fields: need(fields),
  prices: listOf(
    objectOf<PriceColumn>({ column: need(heading), place: text, system: text, term: text }),
    200,
  ).description('Several columns of prices, each with what its heading says: a place, a system, terms.'),
  tables: listOf(tableName, 40).description('Tables whose rows these are; absent where the list has one.'),
  units: objectOf<Partial<ListUnits>>({
    memory: Joi.valid(...MEMORY_UNITS),
    vcpuPerCount,
    period: Joi.valid(...PRICE_PERIODS),
    perCount,
    diskRoom: Joi.valid(...MEMORY_UNITS),
    parts,
    each,
    decimalMark,
    dateOrder,
  }).description('Where these rows are counted otherwise.'),
  written: listOf(
    objectOf<WrittenColumn>({ column: need(heading), decimalMark, dateOrder }),
    200,
  ).description('Columns whose figures or dates are written otherwise than the rest.'),
})

const units = objectOf<ListUnits>({
  memory: need(Joi.valid(...MEMORY_UNITS)),
  vcpuPerCount: need(vcpuPerCount).description('vCPU that one counted core stands for.'),
  period: need(Joi.valid(...PRICE_PERIODS)),
  perCount: need(perCount).description('A price is for so many of its period or room.'),
  diskRoom: need(Joi.valid(...MEMORY_UNITS)),
  parts: parts.description('So many of a price are one of its currency: 100 where prices are in cents.'),
  each: each.description(
    'What a machine’s price is for: the machine, or each of its vCPU or cores. The machine where it is absent.',
  ),
  decimalMark,
  dateOrder,
})

const join = objectOf<TableJoin>({
  table: need(tableName),
  column: need(heading),
  with: need(tableName),
  key: need(heading),
}).description('Rows of `table` find their partner in table `with`, where `column` reads as its `key`.')

const term = objectOf<TermAnswer>({
  text: need(text),
  is: need(Joi.valid('on-demand', 'spot', 'commitment', 'left-out')),
  months: Joi.number().integer().min(1).max(120),
  upFront: Joi.valid('none', 'part', 'all'),
})

const placeAnswer = objectOf<PlaceAnswer>({
  text: need(text),
  name: label(60),
  city: Joi.string().max(60).allow(''),
})

export const recipeSchema = objectOf<RecipeFile>({
  format: need(Joi.string()),
  provider: need(objectOf<PriceRecipe['provider']>({ id: need(id), name: need(label(60)) })),
  manner: need(Joi.valid(...MANNERS)).description('How the provider charges, where the list does not say.'),
  assumed: listOf(
    Joi.string()
      .pattern(/^[a-z/]+$/i)
      .max(40),
    40,
  ).description('Questions about the mapping whose answers were proposed and never confirmed.'),
  mapping: need(
    objectOf<ListMapping>({
      currency: need(currency),
      units: need(units),
      rows: need(Joi.array().items(meaning).min(1).max(20)).description(
        'What a row is: the first meaning whose filters it passes.',
      ),
      joins: listOf(join, 40),
      plainSystem: text.description('The system that costs nothing more; others are licences.'),
      terms: listOf(term, 60).description('What the list calls terms, and what they are.'),
      rates: listOf(
        objectOf<CurrencyRate>({ currency: need(currency), rate: need(price), on: need(date) }),
        40,
      ).description('What one of another currency was worth in the list’s on a day.'),
      answers: listOf(
        objectOf<PriceAnswer>({
          size: need(label(60)),
          place: need(label(60)),
          listed: need(price),
          is: need(Joi.valid('right', 'left-out', 'mended')),
          price,
        }),
        500,
      ).description(
        'What was said of prices on demand that stood out, for as long as the list has the same price there.',
      ),
      places: listOf(placeAnswer, 400).description('Names of places brought together, and their cities.'),
    }),
  ),
})
