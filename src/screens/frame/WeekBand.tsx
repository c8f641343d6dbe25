'use client'

import { memo } from 'react'
import styled from 'styled-components'
import { MINUTES_PER_DAY, type WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { drawnShutdown } from '../../core/catalogue/statesSold.ts'
import { isNeverOff, type OffPlan } from '../../core/off/offPlan.ts'
import { weeklyOff } from '../../core/power/weeklyOff.ts'
import { STATE_FILL } from '../../interface/StatePatterns'
import { offPlanText } from '../../wording/offPlan'
import { STATE_NAMES } from '../../wording/state'
import { weekText } from '../../wording/week'

const WIDTH = 190
const HEIGHT = 6
const GAP = 2
const DAY_WIDTH = (WIDTH - 6 * GAP) / 7

interface WeekBandProps {
  readonly week: WeekPlan
  readonly off: OffPlan['off']
  readonly longGaps: OffPlan['longGaps'] | undefined
  /** Of the machine's provider, for what an auto-shutdown does there. */
  readonly book: PriceBook | undefined
}

/** A week at a glance: seven days side by side, on and off drawn as the states they are. */
export const WeekBand = memo(function WeekBand({ week, off, longGaps, book }: WeekBandProps) {
  const plan: OffPlan = { off, ...(longGaps && { longGaps }) }
  const x = (day: number, minute: number): number =>
    day * (DAY_WIDTH + GAP) + (minute / MINUTES_PER_DAY) * DAY_WIDTH
  const shutdown = drawnShutdown(week, book)
  const afterShutdown = shutdown?.off
    ? `, after its auto-shutdown ${STATE_NAMES[shutdown.off].toLowerCase()}`
    : ''
  const label = isNeverOff(plan)
    ? 'always running'
    : `${weekText(week)}, otherwise ${offPlanText(plan).toLowerCase()}${afterShutdown}`
  return (
    <Band viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" role="img" aria-label={label}>
      {weeklyOff(week.windows, plan, shutdown).map((part) => (
        <rect
          key={`${part.day} ${part.from}`}
          x={x(part.day, part.from)}
          width={((part.to - part.from) / MINUTES_PER_DAY) * DAY_WIDTH}
          height={HEIGHT}
          fill={STATE_FILL[part.off]}
        />
      ))}
      {!isNeverOff(plan) &&
        week.windows.flatMap(({ day, from, to }, i) =>
          [
            { day: day as number, from, to: Math.min(to, MINUTES_PER_DAY) },
            { day: (day + 1) % 7, from: 0, to: to - MINUTES_PER_DAY },
          ]
            .filter((part) => part.to > part.from)
            .map((part) => (
              <rect
                key={`${i} ${part.day}`}
                x={x(part.day, part.from)}
                width={((part.to - part.from) / MINUTES_PER_DAY) * DAY_WIDTH}
                height={HEIGHT}
                fill={STATE_FILL.running}
              />
            )),
        )}
    </Band>
  )
})

const Band = styled.svg`
  grid-column: 1 / -1;
  width: 100%;
  height: 6px;
  margin-top: 3px;
`
