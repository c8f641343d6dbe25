'use client'

import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import { civilDate, weekdayOf } from '../../core/calendar/civil.ts'
import { MONTH_PARTS, type MonthPart } from '../../core/meter/monthPart.ts'
import type { ShownDay } from '../../core/ledger/shownDays.ts'
import { toNumber, type Exact } from '../../core/quantity/exact.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { PART_NAMES } from '../../wording/monthPart'
import { formatNumber } from '../../wording/number'
import { formatMoney } from '../../wording/money'
import { PHASE_NAMES } from '../../wording/state'
import { PART_FILL } from './MonthBar'
import { DAY_NAMES, formatDay, formatDuration, formatHours } from '../../wording/time'

interface DayBarsProps {
  readonly days: readonly DrawnDay[]
  readonly currency: string
  readonly leastHeight: number
}

interface DrawnDay {
  readonly cost: ShownDay
  readonly parts: Readonly<Record<MonthPart, Exact>>
}

interface DayBar extends Record<MonthPart, number> {
  /** A date can stand at both ends, where the provider's month begins or ends inside a local day. */
  readonly at: number
  readonly cost: ShownDay
}

/** A bar for each day: what is kept, what was asked for above it, and the leak on top. */
export function DayBars({ days, currency, leastHeight }: DayBarsProps) {
  const bars = days.map(({ cost, parts }, i): DayBar => ({
    at: i,
    kept: toNumber(parts.kept),
    asked: toNumber(parts.asked),
    leak: toNumber(parts.leak),
    cost,
  }))
  return (
    <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 640, height: leastHeight }}>
      <BarChart
        data={bars}
        margin={{ top: 6, right: 0, bottom: 0, left: 0 }}
        barCategoryGap="14%"
        accessibilityLayer={false}
      >
        <XAxis
          dataKey="at"
          interval="preserveStart"
          minTickGap={1}
          tickLine={false}
          axisLine={{ stroke: 'var(--rule)' }}
          tick={<DayTick days={days} />}
          height={18}
        />
        <YAxis hide domain={[0, 'dataMax']} />
        <Tooltip
          cursor={{ fill: 'var(--plate)', fillOpacity: 0.5 }}
          isAnimationActive={false}
          content={({ active, payload }) => {
            const bar = payload?.[0]?.payload as DayBar | undefined
            return active && bar ? <DayTip bar={bar} currency={currency} /> : null
          }}
        />
        {MONTH_PARTS.map((part) => (
          <Bar key={part} dataKey={part} stackId="cost" fill={PART_FILL[part]} isAnimationActive={false} />
        ))}
      </BarChart>
    </ResponsiveContainer>
  )
}

interface TickProps {
  readonly days: readonly DrawnDay[]
  readonly x?: number
  readonly y?: number
  readonly payload?: { readonly value: number }
}

/** The day of the month; weekends are set lighter. */
function DayTick({ days, x = 0, y = 0, payload }: TickProps) {
  const day = days[payload?.value ?? 0]
  if (!day) return null
  const { cost } = day
  const weekend = weekdayOf(cost.day) >= 5
  return (
    <text
      x={x}
      y={y + 9}
      fontSize={11}
      textAnchor="middle"
      fontWeight={weekend ? 400 : 560}
      fill={weekend ? 'var(--ink-3)' : 'var(--ink)'}
    >
      {civilDate(cost.day).day}
    </text>
  )
}

function DayTip({ bar, currency }: { readonly bar: DayBar; readonly currency: string }) {
  const { cost } = bar
  const all = bar.kept + bar.asked + bar.leak
  const phases = [...cost.phases].filter(([, time]) => time > 0)
  return (
    <Tip>
      <b>
        {DAY_NAMES[weekdayOf(cost.day)]}, {formatDay(cost.day)}
      </b>
      <span>{formatMoney(cost.shown, currency)}</span>
      {all > 0 && (
        <span>
          {MONTH_PARTS.map((part) => `${PART_NAMES[part].toLowerCase()} ${percent(bar[part] / all)}`).join(
            ', ',
          )}
        </span>
      )}
      {phases.map(([phase, time]) => (
        <span key={phase}>
          {PHASE_NAMES[phase]} {formatDuration(time)}
        </span>
      ))}
      <span>{formatHours(lengthOf(cost.span))} of the month</span>
    </Tip>
  )
}

const percent = (share: number): string => `${formatNumber(Math.round(share * 100))} %`

const Tip = styled.div`
  display: grid;
  padding: 6px 9px;
  font-size: 12px;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-radius: 3px;
`
