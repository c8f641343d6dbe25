import type { AutoShutdown, ShutdownState } from '../calendar/autoShutdown.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { PriceBook } from './priceBook.ts'

/** The state that a week's auto-shutdown gives to machines of a provider; undefined where each goes off in its own way. */
export function shutdownState({ autoShutdown }: WeekPlan, { states }: PriceBook): ShutdownState | undefined {
  const off = autoShutdown?.off
  return off && states[off] ? off : undefined
}

/**
 * A week's auto-shutdown as it is drawn for a machine of a provider: with the state that it then has. Only where it is on
 * the week's own clock does it stand at one place of every day.
 */
export function drawnShutdown(week: WeekPlan, book: PriceBook | undefined): AutoShutdown | undefined {
  const { autoShutdown, timeZone } = week
  if (!autoShutdown || (autoShutdown.timeZone ?? timeZone) !== timeZone) return undefined
  const { off: _, ...rest } = autoShutdown
  const off = book && shutdownState(week, book)
  return { ...rest, ...(off && { off }) }
}
