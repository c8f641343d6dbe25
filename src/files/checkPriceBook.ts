import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { bandProblems } from './bookChecks/bandProblems.ts'
import { coreProblems } from './bookChecks/coreProblems.ts'
import { missingPrices } from './bookChecks/missingPrices.ts'
import { referenceProblems } from './bookChecks/referenceProblems.ts'
import { replacementProblems } from './bookChecks/replacementProblems.ts'
import type { FileIssue } from './fileIssue.ts'

/** What a shape alone cannot show: names that nothing has, gaps in prices and bands, loops. Every problem is listed. */
export const checkPriceBook = (book: PriceBook): FileIssue[] => [
  ...referenceProblems(book),
  ...replacementProblems(book),
  ...coreProblems(book),
  ...bandProblems(book),
  ...missingPrices(book),
]
