import Joi from 'joi'
import {
  BILL_FIELDS,
  MOST_HEADINGS,
  MOST_KINDS,
  MOST_TAG_COLUMNS,
  MOST_UNITS,
  ROW_USES,
  type BillField,
  type BillMapping,
  type BillRecipe,
  type BillSource,
} from '../../core/billMapping/billMapping.ts'
import { DATE_ORDERS } from '../../core/table/readDate.ts'
import { label, listOf, need, objectBy, objectOf, tag, type Fields } from '../reading/rules.ts'

export const BILL_RECIPE_KIND = 'notchgauge/bill-recipe'
export const BILL_RECIPE_VERSION = 1

/** A recipe as it stands in its file. */
export interface BillRecipeFile extends BillRecipe {
  readonly format: string
}

const heading = label(200)
const text = Joi.string().max(200).allow('')
type SourceFrom<From extends BillSource['from']> = Extract<BillSource, { readonly from: From }>

const source = objectBy<BillSource>('from', {
  column: objectOf<SourceFrom<'column'>>({ from: tag('column'), column: need(heading) }),
  constant: objectOf<SourceFrom<'constant'>>({ from: tag('constant'), text: need(label(80)) }),
})

export const billRecipeSchema = objectOf<BillRecipeFile>({
  format: need(Joi.string()),
  provider: need(label(60)).description('Whose bill it is, as its price book calls the provider.'),
  headings: need(listOf(heading, MOST_HEADINGS)).description('The headings that it was made for.'),
  fields: need(
    objectOf<BillMapping['fields']>(
      Object.fromEntries(BILL_FIELDS.map((field) => [field, source])) as unknown as Fields<{
        readonly [Field in BillField]?: BillSource
      }>,
    ),
  ),
  kinds: need(
    listOf(
      objectOf<BillMapping['kinds'][number]>({ text: need(text), is: need(Joi.valid(...ROW_USES)) }),
      MOST_KINDS,
    ),
  ).description('What the texts of the kind are; rows of others are left out, and counted by name.'),
  units: need(
    listOf(objectOf<BillMapping['units'][number]>({ text: need(text), is: need(label(40)) }), MOST_UNITS),
  ).description('Units as FOCUS writes them: Hours, GiB-Months.'),
  lasts: Joi.valid('day').description('Rows without an end last a day, though their times have a clock.'),
  dates: need(Joi.valid(...DATE_ORDERS)).description(
    'Of dates with slashes and dashes that begin with no year.',
  ),
  decimalMark: need(Joi.valid('.', ',')),
  tags: need(listOf(heading, MOST_TAG_COLUMNS)),
})
