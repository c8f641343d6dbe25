import { presetWindows } from '../../core/calendar/weekPresets.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { instant } from '../../core/quantity/units.ts'
import { freeName } from '../../store/recipes.ts'
import { officeWeek } from './emptyPlan.ts'

/** A week that can be chosen; `isNew` where the plan does not hold it yet. */
export interface OfferedWeek {
  readonly week: WeekPlan
  readonly isNew: boolean
}

const EXTREMES = [
  { id: 'always-on', name: 'Always on', preset: 'always' },
  { id: 'off-all-month', name: 'Off all month', preset: 'never' },
] as const

/** The plan's weeks, and always on and off all month where none of them is that. */
export function offeredWeeks({ weeks }: Pick<Plan, 'weeks'>): OfferedWeek[] {
  const own = weeks.length > 0 ? weeks : [officeWeek('office-days', 'Office days')]
  const { timeZone } = own[0]!
  const extremes = EXTREMES.flatMap(({ id, name, preset }): OfferedWeek[] => {
    const windows = presetWindows(preset, { timeZone }, instant(0))
    const isHeld = own.some(
      (week) =>
        week.exceptions.length === 0 && !week.autoShutdown && minutesOf(week) === minutesOf({ windows }),
    )
    if (isHeld) return []
    const free = (text: string, taken: readonly string[]) => freeName(text, taken).replaceAll(' ', '-')
    const week: WeekPlan = {
      id: free(
        id,
        weeks.map((each) => each.id),
      ),
      name: freeName(
        name,
        weeks.map((each) => each.name),
      ),
      timeZone,
      windows,
      exceptions: [],
    }
    return [{ week, isNew: true }]
  })
  return [...own.map((week) => ({ week, isNew: !weeks.includes(week) })), ...extremes]
}

const minutesOf = ({ windows }: Pick<WeekPlan, 'windows'>): number =>
  windows.reduce((sum, { from, to }) => sum + to - from, 0)
