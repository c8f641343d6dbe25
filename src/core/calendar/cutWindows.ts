import { shutdownAfter } from './autoShutdown.ts'
import type { Span } from '../quantity/units.ts'
import { SECONDS_PER_DAY, seconds, type Seconds } from '../quantity/units.ts'
import { weekdayOf } from './civil.ts'
import { localDays } from './localDays.ts'
import { exceptionDays } from './weekException.ts'
import type { WeekPlan, WeekWindow } from './weekPlan.ts'
import { localToInstant, zoneOffsets } from './zoneOffsets.ts'

/** A window of which the auto-shutdown leaves less than half. */
export interface CutWindow {
  readonly window: WeekWindow
  /** What is left of it the first time that this happens in the month, and what it has as it is written. */
  readonly left: Seconds
  readonly planned: Seconds
  /** How often in the month. */
  readonly times: number
}

/** The windows that begin in a month and are mostly eaten by the auto-shutdown, the most eaten first. O(days × windows). */
export function cutWindows(week: WeekPlan, month: Span): CutWindow[] {
  if (!week.autoShutdown) return []
  const zone = zoneOffsets(week.timeZone)
  const days = exceptionDays(week.exceptions)
  const found = new Map<WeekWindow, { left: Seconds; planned: Seconds; times: number }>()
  for (const { day } of localDays(month, week.timeZone)) {
    // On a date that runs through an auto-shutdown does nothing.
    if (days.off.has(day) || days.on.has(day)) continue
    for (const window of week.windows) {
      if (window.day !== weekdayOf(day)) continue
      const [opens, closes] = [window.from, window.to].map((minute) =>
        localToInstant(zone, day * SECONDS_PER_DAY + minute * 60),
      ) as [ReturnType<typeof localToInstant>, ReturnType<typeof localToInstant>]
      const shut = shutdownAfter(week, opens)
      if (shut === undefined || (shut - opens) * 2 >= closes - opens) continue
      const known = found.get(window)
      if (known) known.times += 1
      else found.set(window, { left: seconds(shut - opens), planned: seconds(closes - opens), times: 1 })
    }
  }
  return [...found]
    .map(([window, cut]) => ({ window, ...cut }))
    .sort((a, b) => b.planned - b.left - (a.planned - a.left))
}
