import type { Assumption, PriceBook } from '../catalogue/priceBook.ts'
import { ANSWER_IDS, type AnswerId, type AnswerValue } from './billingAnswer.ts'
import { BILLING_ANSWERS } from './billingAnswers.ts'

/** Usual ways in which providers charge: the whole of their answers in one choice. */
export const MANNERS = [
  'gives-back',
  'keeps-charged',
  'until-deleted',
  'begun-hour',
  'flat-month',
  'own-hardware',
] as const
export type Manner = (typeof MANNERS)[number]

type Answers = Readonly<Partial<Record<AnswerId, AnswerValue>>>

const TIMES: Answers = { 'change-times': 'a-minute' }

const ANSWERS: { readonly [Each in Manner]: Answers } = {
  'gives-back': { ...TIMES, 'when-off': 'gives-back', 'counted-by': 'second-of-minute', hibernation: 'none' },
  'keeps-charged': {
    ...TIMES,
    'when-off': 'keeps-charged',
    'counted-by': 'second-of-minute',
    hibernation: 'none',
  },
  'until-deleted': { ...TIMES, 'when-off': 'until-deleted', 'counted-by': 'hour', 'monthly-cap': '672' },
  'begun-hour': { ...TIMES, 'when-off': 'gives-back', 'counted-by': 'hour', hibernation: 'none' },
  'flat-month': { ...TIMES, 'when-off': 'until-deleted', 'counted-by': 'second', 'monthly-cap': 'none' },
  'own-hardware': {
    'change-times': 'at-once',
    'when-off': 'gives-back',
    'counted-by': 'second',
    hibernation: 'none',
  },
}

/** The book charged in one of the usual manners. What the manner says is assumed until somebody confirms it. */
export function withManner(book: PriceBook, manner: Manner): PriceBook {
  const answers = ANSWERS[manner]
  let next = book
  for (const id of ANSWER_IDS) {
    const value = answers[id]
    const { choices, apply } = BILLING_ANSWERS[id]
    if (value !== undefined && choices(next).includes(value)) next = apply(next, value)
  }
  const others = (book.assumed ?? []).filter(({ about }) => !isAnswer(about))
  const assumed = ANSWER_IDS.flatMap((about): Assumption[] =>
    BILLING_ANSWERS[about].choices(next).length > 0 ? [{ about, from: `manner/${manner}` }] : [],
  )
  return { ...next, assumed: [...others, ...assumed] }
}

const isAnswer = (about: string): about is AnswerId => (ANSWER_IDS as readonly string[]).includes(about)

/** The manner whose every answer the book gives; undefined where it is a mixture of its own. */
export const mannerOf = (book: PriceBook): Manner | undefined =>
  MANNERS.find((manner) =>
    ANSWER_IDS.every((id) => {
      const value = ANSWERS[manner][id]
      const { choices, valueOf } = BILLING_ANSWERS[id]
      return value === undefined || choices(book).length === 0 || valueOf(book) === value
    }),
  )
