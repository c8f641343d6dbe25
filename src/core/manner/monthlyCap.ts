import type { PriceBook } from '../catalogue/priceBook.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

const NONE = 'none'
/** Hours of a month after which a machine that is charged until it is deleted costs nothing more. */
const HOURS = [NONE, '672', '720', '600'] as const

const isFlat = (book: PriceBook): boolean => book.terms.some(({ kind }) => kind === 'flat')

export const MONTHLY_CAP: BillingAnswer = {
  id: 'monthly-cap',
  choices: (book) => (isFlat(book) ? HOURS : []),
  valueOf: ({ terms }) => {
    const flat = terms.find(({ kind }) => kind === 'flat')
    const cap = flat?.kind === 'flat' ? flat.capHours : undefined
    if (cap === undefined) return NONE
    return HOURS.find((hours) => hours === String(cap)) ?? OTHER
  },
  apply: (book, value) => ({
    ...book,
    terms: book.terms.map((terms) => {
      if (terms.kind !== 'flat') return terms
      const { capHours, ...uncapped } = terms
      return value === NONE ? uncapped : { ...uncapped, capHours: Number(value) }
    }),
  }),
}
