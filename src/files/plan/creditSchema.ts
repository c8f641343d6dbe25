import Joi from 'joi'
import { parseDate } from '../../core/calendar/civil.ts'
import { LONGEST_CREDIT_YEARS, type Credit } from '../../core/machine/plan.ts'
import { date, price, timeZone } from '../reading/rules.ts'

/** Money that is given once and lost at a date. */
export const credit: Joi.ObjectSchema<Credit> = Joi.object({
  amount: price.required(),
  from: date.required(),
  expires: date.required(),
  timeZone: timeZone.required(),
})
  .custom((value: Credit, helpers) => {
    const [from, expires] = [parseDate(value.from)!, parseDate(value.expires)!]
    if (expires < from) return helpers.error('credit.backwards')
    return expires - from > LONGEST_CREDIT_YEARS * 366 ? helpers.error('credit.long') : value
  })
  .messages({
    'credit.backwards': 'an expiry date that is not before the date it pays from',
    'credit.long': `a credit of at most ${LONGEST_CREDIT_YEARS} years`,
  })
