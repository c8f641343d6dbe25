import { PRICE_BOOK_VERSION } from '../priceBook/priceBookDocument.ts'
import type Joi from 'joi'
import { BILL_VERSION } from '../bill/billReport.ts'
import { BILL_RECIPE_VERSION, billRecipeSchema } from '../bill/billRecipeSchema.ts'
import * as billSchema from '../bill/billSchema.ts'
import { COMPARISON_VERSION } from '../bill/comparisonReport.ts'
import { comparisonSchema } from '../bill/comparisonSchema.ts'
import * as estimate from '../estimate/estimateSchema.ts'
import { MARKET_VERSION } from '../market/marketReport.ts'
import { marketSchema, offer } from '../market/marketSchema.ts'
import { access } from '../plan/accessSchema.ts'
import { needs } from '../plan/needsSchema.ts'
import * as plan from '../plan/planSchema.ts'
import { PLAN_VERSION } from '../plan/planDocument.ts'
import { setup } from '../plan/setupSchema.ts'
import { weekSchema, window, windows } from '../plan/weekSchema.ts'
import { changeTime, stateRow } from '../priceBook/billingSchema.ts'
import * as book from '../priceBook/priceBookSchema.ts'
import { address, changingAddress, regionPrices } from '../priceBook/regionPricesSchema.ts'
import { recipeSchema, RECIPE_VERSION } from '../pricelist/recipeSchema.ts'
import { currency, date, id, price, room } from '../reading/rules.ts'
import { scheduleFeedSchema } from '../timers/scheduleFeedSchema.ts'
import { jsonSchemaOf, type JsonSchema } from './jsonSchemaOf.ts'

/** A file format as docs/formats describes it. */
interface Format {
  readonly file: string
  readonly version: number
  readonly title: string
  readonly description: string
  readonly schema: Joi.Schema
  readonly definitions: Readonly<Record<string, Joi.Schema>>
}

const { command, disk, form, longGap, machine, planSchema } = plan
const { diskKind, image, region, size } = book

export const FORMATS: readonly Format[] = [
  {
    file: 'plan',
    version: PLAN_VERSION,
    title: 'Notchgauge plan',
    description: 'Machines and the weeks in which they are needed. Holds no prices.',
    schema: planSchema,
    definitions: {
      id,
      room,
      price,
      date,
      currency,
      longGap,
      window,
      windows,
      week: weekSchema,
      disk,
      needs,
      access,
      setup,
      machine,
      form,
      command,
    },
  },
  {
    file: 'price-book',
    version: PRICE_BOOK_VERSION,
    title: 'Notchgauge price book',
    description: 'One provider’s catalogue, prices and billing rules, in one currency.',
    schema: book.priceBookSchema,
    definitions: {
      id,
      price,
      date,
      room,
      changeTime,
      stateRow,
      region,
      size,
      diskKind,
      image,
      terms: book.terms,
      address,
      changingAddress,
      regionPrices,
    },
  },
  {
    file: 'price-recipe',
    version: RECIPE_VERSION,
    title: 'Notchgauge price recipe',
    description: 'How price lists of one shape become a provider’s price book.',
    schema: recipeSchema,
    definitions: { id, currency },
  },
  {
    file: 'market',
    version: MARKET_VERSION,
    title: 'Notchgauge market',
    description: 'Everything that fits one machine, wherever it is sold. Amounts are decimal text.',
    schema: marketSchema,
    definitions: { offer },
  },
  {
    file: 'estimate',
    version: 4,
    title: 'Notchgauge estimate',
    description:
      'What the command line prints with --format json. Amounts are decimal text with 12 places at most; a machine’s lines add up to its total, and the machines’ totals, in the plan’s currency, to the plan’s.',
    schema: estimate.estimateSchema,
    definitions: {
      amount: estimate.amount,
      seconds: estimate.seconds,
      line: estimate.line,
      machine: estimate.machine,
    },
  },
  {
    file: 'bill',
    version: BILL_VERSION,
    title: 'Notchgauge bill',
    description:
      'A bill as it was read: a line for each resource, meter, unit price and day, with what was left out and why.',
    schema: billSchema.billSchema,
    definitions: { date, figure: billSchema.figure, line: billSchema.line },
  },
  {
    file: 'bill-recipe',
    version: BILL_RECIPE_VERSION,
    title: 'Notchgauge bill recipe',
    description: 'How bills of one shape that do not follow FOCUS are read.',
    schema: billRecipeSchema,
    definitions: {},
  },
  {
    file: 'bill-comparison',
    version: COMPARISON_VERSION,
    title: 'Notchgauge plan beside its bill',
    description: 'What was planned and what was billed, with causes that add up to the difference.',
    schema: comparisonSchema,
    definitions: { date },
  },
  {
    file: 'schedule',
    version: 2,
    title: 'Notchgauge schedule feed',
    description: 'Every switch of the machines of one week.',
    schema: scheduleFeedSchema,
    definitions: { date, window, windows, week: weekSchema },
  },
]

/** The document that describes a format, JSON Schema draft 7. */
export function formatSchema({ file, version, title, description, schema, definitions }: Format): JsonSchema {
  const { properties, definitions: parts, ...whole } = jsonSchemaOf(schema, definitions)
  return {
    $schema: 'http://json-schema.org/draft-07/schema#',
    $id: `https://notchgauge.invalid/formats/${file}-${version}.json`,
    title: `${title}, version ${version}`,
    description,
    ...whole,
    properties: { ...(properties as JsonSchema), format: { const: `notchgauge/${file}/${version}` } },
    definitions: parts,
  }
}
