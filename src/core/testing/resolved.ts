import type { WeekPlan } from '../calendar/weekPlan.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { SMALL_BOOK, SMALL_MACHINE } from './smallBook.ts'
import { weekOf, windowsOn, WORKDAYS } from './weeks.ts'

export const OFFICE_WEEK = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'))

/** The small machine with some parts changed, resolved; throws where a test names what the book lacks. */
export function resolved(
  part: Partial<Machine> = {},
  week: WeekPlan = OFFICE_WEEK,
  book: PriceBook = SMALL_BOOK,
): ResolvedMachine {
  const outcome = resolveMachine({ ...SMALL_MACHINE, ...part }, { weeks: [week] }, indexBook(book))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}
