import type { AutoShutdown } from './autoShutdown.ts'
import type { Weekday } from './civil.ts'
import { MINUTES_PER_DAY, type WeekPlan } from './weekPlan.ts'

const EVERY_DAY: readonly Weekday[] = [0, 1, 2, 3, 4, 5, 6]
const AFTER_MINUTES = 60
const STEP_MINUTES = 15

/**
 * An auto-shutdown that catches what was forgotten: an hour after the last window of the week ends, on every day.
 * Undefined where the week has one, has no windows, or is on until so late that this would be after midnight.
 */
export function shutdownAfterWindows({
  windows,
  autoShutdown,
}: Pick<WeekPlan, 'windows' | 'autoShutdown'>): AutoShutdown | undefined {
  if (autoShutdown || windows.length === 0) return undefined
  const last = Math.max(...windows.map(({ to }) => to)) + AFTER_MINUTES
  const minute = Math.ceil(last / STEP_MINUTES) * STEP_MINUTES
  return minute < MINUTES_PER_DAY ? { minute, days: EVERY_DAY } : undefined
}
