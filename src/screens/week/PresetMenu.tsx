'use client'

import { billingMonth } from '../../core/calendar/billingMonth.ts'
import { presetWindows, WEEK_PRESETS, type WeekPreset } from '../../core/calendar/weekPresets.ts'
import type { WeekPlan, WeekWindow } from '../../core/calendar/weekPlan.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { Menu } from '../../interface/Menu'

interface PresetMenuProps {
  readonly week: WeekPlan
  readonly month: YearMonth
  readonly onPaint: (windows: readonly WeekWindow[], label: string) => void
}

const names = ({ besideZone }: WeekPlan): Record<WeekPreset, string> => ({
  office: 'Office days, 09:00 to 17:00',
  nights: 'Nights, 22:00 to 06:00',
  'two-shifts': besideZone
    ? `Office days here and in ${besideZone}`
    : 'Office days in two zones (choose a second clock first)',
  always: 'Always on',
  never: 'Never on',
})

/** Fills the whole week with usual hours. */
export function PresetMenu({ week, month, onPaint }: PresetMenuProps) {
  const named = names(week)
  return (
    <Menu
      label="Fill the week"
      button="Fill ▾"
      entries={WEEK_PRESETS.map((preset) => ({
        id: preset,
        label: named[preset],
        disabled: preset === 'two-shifts' && week.besideZone === undefined,
        onAction: () =>
          onPaint(presetWindows(preset, week, billingMonth(month, week.timeZone).from), named[preset]),
      }))}
    />
  )
}
