import Joi from 'joi'
import { parseDate } from '../../core/calendar/civil.ts'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import { parseYearMonth } from '../../core/calendar/yearMonth.ts'
import { AMOUNT, isCurrency, isExchangeRate, isPercent, PERCENT, PRICE } from './moneyText.ts'

/** Rules that plan and price book share. Each says in its message what it asks for. */

declare const NEEDED: unique symbol

/** A field that may not be left out. */
interface Needed {
  readonly [NEEDED]: true
}

interface MayBeAbsent {
  readonly [NEEDED]?: never
}

/** Marks a field as one that may not be left out. */
export const need = <S extends Joi.Schema>(schema: S): S & Needed => schema.required() as S & Needed

/** A rule for each field of a type: `need` for those that the type demands. */
export type Fields<T> = {
  readonly [K in keyof T]-?: Joi.Schema & (Partial<Pick<T, K>> extends Pick<T, K> ? MayBeAbsent : Needed)
}

/** An object of just the fields of its type, written in this order: a field that either lacks does not compile. */
export const objectOf = <T>(fields: Fields<T>): Joi.ObjectSchema<T> => Joi.object(fields)

/** Objects that are told apart by what one of their fields says. */
export function objectBy<T>(
  field: string,
  objects: { readonly [value: string]: Joi.ObjectSchema },
): Joi.AlternativesSchema<T> {
  const known = Joi.object({ [field]: Joi.valid(...Object.keys(objects)).required() }).unknown()
  return Joi.alternatives<T>().conditional(`.${field}`, {
    switch: Object.entries(objects).map(([is, then], i, all) =>
      i === all.length - 1 ? { is, then, otherwise: known } : { is, then },
    ),
  })
}

/** What the field says in one of those objects. */
export const tag = (value: string): Joi.AnySchema & Needed => need(Joi.valid(value))

/** What JSON Schema can say of a rule of our own; null takes away what Joi says. */
type JsonFacets = Readonly<Record<string, unknown>>

const withFacets = <S extends Joi.Schema>(schema: S, jsonSchema: JsonFacets): S =>
  schema.meta({ jsonSchema }) as S

export const textRule = (
  test: (text: string) => boolean,
  asks: string,
  jsonSchema: JsonFacets = {},
): Joi.StringSchema =>
  withFacets(
    Joi.string()
      .custom((text: string, helpers) => (test(text) ? text : helpers.error('text.rule')))
      .messages({ 'text.rule': asks, 'string.base': asks, 'string.empty': asks }),
    jsonSchema,
  )

export const id = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,63}$/)
  .messages({ 'string.pattern.base': 'an id of lower-case letters, digits and hyphens, at most 64' })

/** Not every validator reads patterns of Unicode's properties. */
const WITHOUT_PATTERN = { pattern: null }

/** Text for people: one line, no control characters. It is shown as text, never as markup. */
export const label = (most: number): Joi.StringSchema =>
  withFacets(
    Joi.string()
      .min(1)
      .max(most)
      .pattern(/^[^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]+$/u)
      .messages({ 'string.pattern.base': 'text on one line, without control characters' }),
    WITHOUT_PATTERN,
  )

export const price = Joi.string()
  .pattern(PRICE)
  .messages({
    'string.pattern.base': 'a price as decimal text such as "0.2067", not below zero, at most 18 decimals',
    'string.base': 'a price as decimal text in quotes, such as "0.2067"',
  })
  .description('Decimal text, never a number: 0.2067 stays exact.')

export const currency = textRule(isCurrency, 'a currency of the ISO 4217 list, such as "EUR"', {
  pattern: '^[A-Z]{3}$',
}).description('ISO 4217.')

export const exchangeRate = textRule(isExchangeRate, 'a rate above zero as decimal text, such as "0.9214"', {
  pattern: AMOUNT.source,
})

export const percent = textRule(isPercent, 'a percentage from 0 to 100 as decimal text, such as "23"', {
  pattern: PERCENT.source,
})

export const count = (most: number): Joi.NumberSchema => Joi.number().integer().min(0).max(most)

/** In whole MiB. */
const gibRule = (rule: Joi.NumberSchema): Joi.NumberSchema =>
  withFacets(
    rule
      .max(4 * 1024 * 1024)
      .custom((value: number, helpers) =>
        Number.isInteger(value * 1024) ? value : helpers.error('room.step'),
      )
      .messages({ 'room.step': 'GiB in whole MiB (steps of 1/1024)' }),
    { multipleOf: 1 / 1024 },
  )

/** GiB in steps of 1/1024, above zero. */
export const room = gibRule(Joi.number().greater(0)).description('GiB, in whole MiB.')

/** The same, or nothing. */
export const amountGiB = gibRule(Joi.number().min(0))

export const date = textRule((text) => parseDate(text) !== undefined, 'a date such as "2027-03-19"', {
  pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}$',
})

export const month = textRule(
  (text) => parseYearMonth(text) !== undefined,
  'a month such as "2027-03", from 2000 to 2100',
  { pattern: '^(20[0-9]{2}|2100)-(0[1-9]|1[0-2])$' },
)

export const timeZone = textRule(isTimeZone, 'a time zone of the IANA list, such as "Europe/Lisbon"', {
  pattern: '^[A-Za-z][A-Za-z0-9_+/-]{0,63}$',
})

export const byKey = <T>(key: Joi.Schema, value: Joi.Schema<T>, most: number): Joi.ObjectSchema =>
  Joi.object().pattern(key, value).max(most)

export const listOf = (item: Joi.Schema, most: number): Joi.ArraySchema => Joi.array().items(item).max(most)

export const idListOf = (item: Joi.Schema, most: number): Joi.ArraySchema => listOf(item, most).unique('id')
