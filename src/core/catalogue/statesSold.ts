import type { AutoShutdown, ShutdownState } from '../calendar/autoShutdown.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { offStates, type OffPlan } from '../off/offPlan.ts'
import type { OffState } from '../off/powerState.ts'
import type { PriceBook, StateRow } from './priceBook.ts'

/** The first state of a machine when off that its provider does not have; undefined where it has them all. */
export const lackedState = (plan: OffPlan, { states }: PriceBook): OffState | undefined =>
  offStates(plan).find((off) => !states[off])

/** Deleting is always possible, also where a provider does not sell it as a state: what goes with the machine goes. */
export const GONE: StateRow = {
  compute: false,
  licence: false,
  disks: false,
  address: 'unattached',
  memoryImage: false,
}

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
