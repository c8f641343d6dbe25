import type { PriceBook } from '../catalogue/priceBook.ts'

/** What no list of prices says, and a provider's terms do: each is asked by itself. */
export const ANSWER_IDS = [
  'when-off',
  'monthly-cap',
  'counted-by',
  'change-times',
  'month-zone',
  'hibernation',
  'address-uses',
  'long-run-rebate',
  'free-hours',
] as const
export type AnswerId = (typeof ANSWER_IDS)[number]

/** Which one answer a book gives; `other` is a rule that is none of the usual ones. */
export type AnswerValue = string

/** One question about how a provider charges: the book's answer to it, what else it could be, and the book with that. */
export interface BillingAnswer {
  readonly id: AnswerId
  /** The usual answers, the likeliest first. None where the question does not arise for this book. */
  readonly choices: (book: PriceBook) => readonly AnswerValue[]
  readonly valueOf: (book: PriceBook) => AnswerValue
  /** The book with one of the choices; all that other questions decide stays. */
  readonly apply: (book: PriceBook, value: AnswerValue) => PriceBook
}

export const OTHER = 'other'
