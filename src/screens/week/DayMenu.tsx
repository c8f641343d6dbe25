'use client'

import type { Weekday } from '../../core/calendar/civil.ts'
import { copyDay } from '../../core/calendar/weekPresets.ts'
import type { WeekWindow } from '../../core/calendar/weekPlan.ts'
import { Menu } from '../../interface/Menu'
import { DAY_NAMES } from '../../wording/time'

interface DayMenuProps {
  readonly windows: readonly WeekWindow[]
  readonly day: Weekday
  readonly onPaint: (windows: readonly WeekWindow[], label: string) => void
}

const WORKDAYS: readonly Weekday[] = [0, 1, 2, 3, 4]
const EVERY_DAY: readonly Weekday[] = [...WORKDAYS, 5, 6]

/** What can be done with one day of the week. */
export function DayMenu({ windows, day, onPaint }: DayMenuProps) {
  const name = DAY_NAMES[day]!
  const next = ((day + 1) % 7) as Weekday
  const copyTo = (id: string, label: string, to: readonly Weekday[]) => ({
    id,
    label,
    onAction: () => onPaint(copyDay(windows, day, to), `copy ${name}`),
  })
  return (
    <Menu
      label={`Copy ${name}`}
      button="⋯"
      entries={[
        copyTo('next', `Copy to ${DAY_NAMES[next]!}`, [next]),
        copyTo('workdays', 'Copy to Monday to Friday', WORKDAYS),
        copyTo('all', 'Copy to every day', EVERY_DAY),
        {
          id: 'clear',
          label: `Clear ${name}`,
          onAction: () =>
            onPaint(
              windows.filter((window) => window.day !== day),
              `clear ${name}`,
            ),
        },
      ]}
    />
  )
}
