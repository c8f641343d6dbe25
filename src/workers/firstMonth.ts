import { overviewAsker } from './askers.ts'

const LONGEST_WAIT_MS = 1_000

let sawMonth: () => void
const month = new Promise<void>((resolve) => (sawMonth = resolve))
let warmed: ReturnType<typeof overviewAsker> | undefined

/** Begins the worker of the bench before there is a question. */
export function warmOverview(): void {
  warmed ??= overviewAsker()
  warmed.warm()
}

/** The asker that was warmed, for whoever comes first. */
export function firstOverviewAsker(): ReturnType<typeof overviewAsker> {
  const asker = warmed ?? overviewAsker()
  warmed = undefined
  return asker
}

/** Says that the first month is known; it counts once it is drawn. */
export function firstMonthKnown(): void {
  requestAnimationFrame(() => setTimeout(sawMonth))
}

/**
 * When the first overview of the page has its month and that has been drawn, or is not soon to: two workers at once would
 * both be late.
 */
export const afterFirstMonth = (): Promise<void> =>
  Promise.race([month, new Promise<void>((resolve) => setTimeout(resolve, LONGEST_WAIT_MS))])
