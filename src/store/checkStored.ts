import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { refuse, type Outcome } from '../core/outcome.ts'
import { PLAN_KIND, PLAN_VERSION } from '../files/plan/planDocument.ts'
import { parsePlan } from '../files/plan/planFile.ts'
import { parsePriceBook } from '../files/priceBook/priceBookFile.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { checkFormat } from '../files/reading/readJson.ts'

// Large, since it holds the schemas of all that is stored: fetched where something has to be held against them.

/** A stored plan has the format of a file: one of a newer version, or of something else, is not read as if it were ours. */
export function parseStoredPlan(file: unknown): Outcome<Plan, FileIssue> {
  return readable(() => {
    const known = checkFormat(file, PLAN_KIND, PLAN_VERSION)
    return known.ok ? parsePlan(file) : known
  })
}

export const parseStoredBook = (file: unknown): Outcome<PriceBook, FileIssue> =>
  readable(() => parsePriceBook(file))

/** The store holds what no file can: whole numbers of any length, circles. What trips over them is a reading that failed. */
function readable<T>(read: () => Outcome<T, FileIssue>): Outcome<T, FileIssue> {
  try {
    return read()
  } catch (error) {
    console.error(error)
    const problem = 'What is stored holds something that cannot be read.'
    return refuse({ code: 'bad-value', pointer: '', problem, expected: 'what a file can hold.' })
  }
}
