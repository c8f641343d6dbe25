'use client'

import { setWeek } from '../../store/commands.ts'
import { useLiveWorkbench } from '../workbench/WorkbenchContext'
import { WeekGrid, type WeekGridProps } from './WeekGrid'

interface PaintedWeekProps extends Omit<WeekGridProps, 'windows' | 'onPreview'> {
  /** Id of the week. */
  readonly week: string
}

/** A week under the hand that paints it: all else stands until the stroke is over, but for the totals. */
export function PaintedWeek({ week, ...rest }: PaintedWeekProps) {
  const { session, state } = useLiveWorkbench()
  const windows = state.plan.weeks.find(({ id }) => id === week)?.windows
  return (
    windows && (
      <WeekGrid
        {...rest}
        windows={windows}
        onPreview={(painted) => session.preview(painted && setWeek(week, { windows: painted }))}
      />
    )
  )
}
