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
      return value === 'none' ? 'If there is no hibernation' : 'If machines can hibernate'
  }
}
