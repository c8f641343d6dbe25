'use client'

import { memo } from 'react'
import { toNumber } from '../../core/quantity/exact.ts'
import type { DayHours } from '../../core/reconcile/reconcile.ts'
import { formatNumber } from '../../wording/number'

const WIDTH = 12
const HEIGHT = 24
const DAY = 86_400

interface HoursStripProps {
  /** Of the month. */
  readonly dates: readonly string[]
  readonly hours: readonly DayHours[]
  /** The last day that the bill has. */
  readonly until: string | undefined
}

const heightOf = (seconds: number): number => (Math.min(seconds, DAY) / DAY) * HEIGHT

/** Hours day by day: planned as an outline, billed as a fill, what is beyond the plan hatched. */
export const HoursStrip = memo(function HoursStrip({ dates, hours, until }: HoursStripProps) {
  const byDay = new Map(hours.map((each) => [each.day, each]))
  const sum = (field: 'planned' | 'billed'): number =>
    hours.reduce((total, each) => total + toNumber(each[field]), 0) / 3_600
  const end = until === undefined ? undefined : dates.indexOf(until) + 1
  return (
    <svg
      width={dates.length * WIDTH}
      height={HEIGHT + 1}
      role="img"
      aria-label={`${formatNumber(sum('planned'), 1)} h planned, ${formatNumber(sum('billed'), 1)} h billed`}
    >
      {dates.map((date, i) => {
        const found = byDay.get(date)
        const [planned, billed] = found ? [toNumber(found.planned), toNumber(found.billed)] : [0, 0]
        const both = heightOf(Math.min(planned, billed))
        const x = i * WIDTH + 1
        return (
          <g key={date}>
            <path d={`M${x} ${HEIGHT + 0.5}h${WIDTH - 3}`} stroke="var(--plate-edge)" />
            {both > 0 && <rect x={x} width={WIDTH - 3} y={HEIGHT - both} height={both} fill="var(--run)" />}
            {billed > planned && (
              <rect
                x={x}
                width={WIDTH - 3}
                y={HEIGHT - heightOf(billed)}
                height={heightOf(billed) - both}
                fill="url(#state-stopped)"
              />
            )}
            {planned > 0 && (
              <rect
                x={x + 0.5}
                width={WIDTH - 4}
                y={HEIGHT - heightOf(planned) + 0.5}
                height={Math.max(0, heightOf(planned) - 1)}
                fill="none"
                stroke="var(--ink-3)"
              />
            )}
          </g>
        )
      })}
      {end !== undefined && end < dates.length && (
        <path d={`M${end * WIDTH - 0.5} 0V${HEIGHT}`} stroke="var(--ink)" strokeDasharray="2 2" />
      )}
    </svg>
  )
})
