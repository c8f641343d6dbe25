import Joi from 'joi'
import { parseDate } from '../../core/calendar/civil.ts'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import { parseYearMonth } from '../../core/calendar/yearMonth.ts'

/** Rules that plan and price book share. Each says in its message what it asks for. */

export const textRule = (test: (text: string) => boolean, asks: string): Joi.StringSchema =>
  Joi.string()
    .custom((text: string, helpers) => (test(text) ? text : helpers.error('text.rule')))
    .messages({ 'text.rule': asks, 'string.base': asks, 'string.empty': asks })

export const id = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,63}$/)
  .messages({ 'string.pattern.base': 'an id of lower-case letters, digits and hyphens, at most 64' })

/** Text for people: one line, no control characters. It is shown as text, never as markup. */
export const label = (most: number): Joi.StringSchema =>
  Joi.string()
    .min(1)
    .max(most)
    .pattern(/^[^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]+$/u)
    .messages({ 'string.pattern.base': 'text on one line, without control characters' })

const AMOUNT = /^\d{1,12}(\.\d{1,12})?$/

/** An amount of money as decimal text, not below zero. */
export const isAmount = (text: string): boolean => AMOUNT.test(text)

export const price = Joi.string().pattern(AMOUNT).messages({
  'string.pattern.base': 'a price as decimal text such as "0.2067", not below zero, at most 12 decimals',
  'string.base': 'a price as decimal text in quotes, such as "0.2067"',
})

/** ISO 4217, among those that the platform knows. */
const CURRENCIES = new Set(Intl.supportedValuesOf('currency'))

export const isCurrency = (text: string): boolean => CURRENCIES.has(text)

export const currency = textRule(isCurrency, 'a currency of the ISO 4217 list, such as "EUR"')

/** Decimal text above zero. */
export const isExchangeRate = (text: string): boolean =>
  /^\d{1,12}(\.\d{1,12})?$/.test(text) && /[1-9]/.test(text)

export const exchangeRate = textRule(isExchangeRate, 'a rate above zero as decimal text, such as "0.9214"')

export const isPercent = (text: string): boolean => /^(100|\d{1,2}(\.\d{1,4})?)$/.test(text)

export const percent = textRule(isPercent, 'a percentage from 0 to 100 as decimal text, such as "23"')

export const count = (most: number): Joi.NumberSchema => Joi.number().integer().min(0).max(most)

/** GiB in steps of 1/1024, above zero. */
export const room = Joi.number()
  .greater(0)
  .max(4 * 1024 * 1024)
  .custom((value: number, helpers) => (Number.isInteger(value * 1024) ? value : helpers.error('room.step')))
  .messages({ 'room.step': 'GiB in whole MiB (steps of 1/1024)' })

export const date = textRule((text) => parseDate(text) !== undefined, 'a date such as "2027-03-19"')

export const month = textRule(
  (text) => parseYearMonth(text) !== undefined,
  'a month such as "2027-03", from 2000 to 2100',
)

export const timeZone = textRule(isTimeZone, 'a time zone of the IANA list, such as "Europe/Lisbon"')

export const byKey = <T>(key: Joi.Schema, value: Joi.Schema<T>, most: number): Joi.ObjectSchema =>
  Joi.object().pattern(key, value).max(most)

export const listOf = (item: Joi.Schema, most: number): Joi.ArraySchema => Joi.array().items(item).max(most)

export const idListOf = (item: Joi.Schema, most: number): Joi.ArraySchema => listOf(item, most).unique('id')
