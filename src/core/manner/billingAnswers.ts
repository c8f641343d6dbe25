import type { PriceBook } from '../catalogue/priceBook.ts'
import { ADDRESS_USES } from './addressUses.ts'
import type { AnswerId, AnswerValue, BillingAnswer } from './billingAnswer.ts'
import { CHANGE_TIMES } from './changeTimes.ts'
import { COUNTED_BY } from './countedBy.ts'
import { FREE_HOURS } from './freeHours.ts'
import { HIBERNATION } from './hibernation.ts'
import { LONG_RUN_REBATE } from './longRunRebate.ts'
import { MONTH_ZONE } from './monthZone.ts'
import { MONTHLY_CAP } from './monthlyCap.ts'
import { WHEN_OFF } from './whenOff.ts'

export const BILLING_ANSWERS: { readonly [Id in AnswerId]: BillingAnswer } = {
  'when-off': WHEN_OFF,
  'monthly-cap': MONTHLY_CAP,
  'counted-by': COUNTED_BY,
  'change-times': CHANGE_TIMES,
  'month-zone': MONTH_ZONE,
  hibernation: HIBERNATION,
  'address-uses': ADDRESS_USES,
  'long-run-rebate': LONG_RUN_REBATE,
  'free-hours': FREE_HOURS,
}

/** The book with an answer that a person gave: it is no longer assumed. */
export function answered(book: PriceBook, id: AnswerId, value: AnswerValue): PriceBook {
  const answer = BILLING_ANSWERS[id]
  const next = answer.valueOf(book) === value ? book : answer.apply(book, value)
  return confirmed(next, id)
}

/** The book's own answer, taken as true. */
export function confirmed(book: PriceBook, id: string): PriceBook {
  const { assumed = [], ...known } = book
  const left = assumed.filter(({ about }) => about !== id)
  if (left.length === assumed.length) return book
  return left.length > 0 ? { ...known, assumed: left } : known
}
