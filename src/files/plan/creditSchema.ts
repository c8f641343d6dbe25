import { parseDate } from '../../core/calendar/civil.ts'
import { LONGEST_CREDIT_YEARS, type Credit } from '../../core/machine/plan.ts'
import { date, id, need, objectOf, price, timeZone } from '../reading/rules.ts'

/** Money that is given once and lost at a date. */
export const credit = objectOf<Credit>({
  timeZone: need(timeZone).description('IANA zone of its dates.'),
  from: need(date),
  amount: need(price),
  expires: need(date).description('Its last date.'),
  provider: id.description('It pays for machines there alone; absent, for all of the plan.'),
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
  .description('Money to be spent by a date, at most ten years; what is left after its last date is lost.')
