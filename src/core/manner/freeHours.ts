import type { FreeAllowance, PriceBook, Size } from '../catalogue/priceBook.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

const NONE = 'none'
const ONE_SMALLEST = 'one-smallest'

/** Hours of the longest month, that of a clock change among them. */
const WHOLE_MONTH_HOURS = 745
/** A book without an end gives for as long as anyone plans. */
const WITHOUT_END = '2099-12-31'

const smallest = ({ sizes }: PriceBook): Size | undefined =>
  [...sizes].sort(
    (a, b) => a.vcpu - b.vcpu || a.memoryGiB - b.memoryGiB || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
  )[0]

const allowanceOf = (size: Size, { valid }: PriceBook): FreeAllowance => ({
  id: ONE_SMALLEST,
  name: 'One machine of the smallest size',
  hoursPerMonth: WHOLE_MONTH_HOURS,
  eligible: [size.id],
  until: valid.until ?? WITHOUT_END,
})

/** Whether the account has hours for nothing: none, or one machine of the smallest size on demand. */
export const FREE_HOURS: BillingAnswer = {
  id: 'free-hours',
  // Of a book that has no size yet, none is the answer that is assumed.
  choices: (book) => {
    if (!book.terms.some(({ kind }) => kind === 'on-demand')) return []
    return smallest(book) ? [NONE, ONE_SMALLEST] : [NONE]
  },
  valueOf: (book) => {
    const [first, ...others] = book.freeAllowances ?? []
    if (!first) return NONE
    const size = smallest(book)
    const { hoursPerMonth, gibPerMonth, eligible } = first
    const isIt =
      others.length === 0 &&
      gibPerMonth === undefined &&
      hoursPerMonth === WHOLE_MONTH_HOURS &&
      eligible.length === 1 &&
      eligible[0] === size?.id
    return isIt ? ONE_SMALLEST : OTHER
  },
  apply: ({ freeAllowances: _, ...book }, value): PriceBook => {
    const size = smallest(book)
    return value === ONE_SMALLEST && size ? { ...book, freeAllowances: [allowanceOf(size, book)] } : book
  },
}
