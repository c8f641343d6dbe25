import type { AnswerId, AnswerValue } from '../core/manner/billingAnswer.ts'
import type { Manner } from '../core/manner/manners.ts'

export const MANNER_NAMES = {
  'gives-back': 'a stop gives it back',
  'keeps-charged': 'a stop keeps it, charged',
  'until-deleted': 'until deleted, with a cap',
  'begun-hour': 'by the begun hour',
  'flat-month': 'a flat price a month',
  'own-hardware': 'own hardware',
} as const satisfies Record<Manner, string>

export const MANNER_NOTES = {
  'gives-back': 'the hardware; off is free but for disks and addresses',
  'keeps-charged': 'giving the hardware back is another action, and free',
  'until-deleted': 'charged whatever the machine does, up to so many hours a month',
  'begun-hour': 'stopping gives it back; each start costs an hour at least',
  'flat-month': 'from creating to deleting, on or off',
  'own-hardware': 'an internal rate while it runs, to the second',
} as const satisfies Record<Manner, string>

export const ANSWER_NAMES = {
  'when-off': 'When off',
  'monthly-cap': 'At the most',
  'counted-by': 'Counted by',
  'change-times': 'To stop and come back',
  'month-zone': 'The month begins in',
  hibernation: 'Hibernating',
  'address-uses': 'Addresses',
  'long-run-rebate': 'Long runs',
  'free-hours': 'Free hours',
} as const satisfies Record<AnswerId, string>

const VALUE_NAMES: ReadonlyMap<string, string> = new Map([
  ['when-off/gives-back', 'gives the hardware back'],
  ['when-off/keeps-charged', 'keeps it and is charged'],
  ['when-off/until-deleted', 'charged until deleted'],
  ['monthly-cap/none', 'no cap'],
  ['monthly-cap/672', '672 h a month'],
  ['monthly-cap/720', '720 h a month'],
  ['monthly-cap/600', '600 h a month'],
  ['counted-by/second-of-minute', 'the second, 60 s least'],
  ['counted-by/second', 'the second'],
  ['counted-by/minute', 'the begun minute'],
  ['counted-by/hour', 'the begun hour'],
  ['change-times/a-minute', '30 s and 60 s'],
  ['change-times/at-once', 'at once'],
  ['change-times/minutes', '2 and 5 minutes'],
  ['hibernation/none', 'not sold'],
  ['hibernation/free', 'sold, free while off'],
  ['hibernation/limited', 'sold, to 64 GiB and 60 days'],
  ['address-uses/always', 'charged always'],
  ['address-uses/while-off', 'free while the machine runs'],
  ['address-uses/unheld', 'free while a machine has it'],
  ['long-run-rebate/none', 'no rebate'],
  ['long-run-rebate/half-tenth', '10 % off after half the month'],
  ['long-run-rebate/half-quarter', '25 % off after half the month'],
  ['long-run-rebate/half-half', '50 % off after half the month'],
  ['free-hours/none', 'none'],
  ['free-hours/one-smallest', 'one machine of the smallest size'],
])

export const answerText = (id: AnswerId, value: AnswerValue): string =>
  id === 'month-zone' ? value : (VALUE_NAMES.get(`${id}/${value}`) ?? 'as the book has it')

/** What would be so, as the beginning of a sentence about what it costs. */
export function ifText(id: AnswerId, value: AnswerValue): string {
  const text = answerText(id, value)
  switch (id) {
    case 'when-off':
      return value === 'gives-back'
        ? 'If a stop gives the hardware back'
        : value === 'keeps-charged'
          ? 'If stopping and giving back are two actions'
          : 'If a machine that is off is charged'
    case 'monthly-cap':
      return value === 'none' ? 'If there is no monthly cap' : `If ${text} are charged at the most`
    case 'counted-by':
      return `If runs are counted by ${text}`
    case 'change-times':
      return value === 'at-once'
        ? 'If stopping and coming back take no time'
        : `If stopping and coming back take ${text}`
    case 'month-zone':
      return `If the month begins in ${text}`
    case 'hibernation':
      return value === 'none'
        ? 'If there is no hibernation'
        : value === 'free'
          ? 'If machines can hibernate'
          : 'If machines can hibernate, to 64 GiB and 60 days'
    case 'address-uses':
      return value === 'always' ? 'If addresses are charged always' : `If an address is ${text}`
    case 'long-run-rebate':
      return value === 'none' ? 'If there is no rebate on long runs' : `If hours are ${text}`
    case 'free-hours':
      return value === 'none' ? 'If no hours are free' : `If ${text} is free`
  }
}
