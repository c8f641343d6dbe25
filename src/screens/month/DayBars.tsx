'use client'

import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import { civilDate, weekdayOf } from '../../core/calendar/civil.ts'
import type { ShownDay } from '../../core/ledger/shownDays.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { formatMoney } from '../../wording/money'
import { PHASE_NAMES } from '../../wording/state'
import { DAY_NAMES, formatDay, formatDuration, formatHours } from '../../wording/time'

interface DayBarsProps {
  readonly days: readonly ShownDay[]
  readonly currency: string
  readonly leastHeight: number
}

interface DayBar {
  /** A date can stand at both ends, where the provider's month begins or ends inside a local day. */
  readonly at: number
  readonly floor: number
  readonly machineTime: number
  readonly cost: ShownDay
}

/** A bar for each day: machine time above what is charged whatever the state. */
export function DayBars({ days, currency, leastHeight }: DayBarsProps) {
  const bars = days.map((cost, i): DayBar => ({
    at: i,
    floor: toNumber(cost.floor),
    machineTime: toNumber(cost.machineTime),
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
            return active && bar ? <DayTip cost={bar.cost} currency={currency} /> : null
          }}
        />
        <Bar dataKey="floor" stackId="cost" fill="var(--off)" isAnimationActive={false} />
        <Bar dataKey="machineTime" stackId="cost" fill="var(--run)" isAnimationActive={false} />
      </BarChart>
    </ResponsiveContainer>
  )
}

interface TickProps {
  readonly days: readonly ShownDay[]
  readonly x?: number
  readonly y?: number
  readonly payload?: { readonly value: number }
}

/** The day of the month; weekends are set lighter. */
function DayTick({ days, x = 0, y = 0, payload }: TickProps) {
  const cost = days[payload?.value ?? 0]
  if (!cost) return null
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

function DayTip({ cost, currency }: { readonly cost: ShownDay; readonly currency: string }) {
  const phases = [...cost.phases].filter(([, time]) => time > 0)
  return (
    <Tip>
      <b>
        {DAY_NAMES[weekdayOf(cost.day)]}, {formatDay(cost.day)}
      </b>
      <span>{formatMoney(cost.shown, currency)}</span>
      <span>
        {formatMoney(cost.shownMachineTime, currency)} machine time, {formatMoney(cost.shownFloor, currency)}{' '}
        whatever its state
      </span>
      {phases.map(([phase, time]) => (
        <span key={phase}>
          {PHASE_NAMES[phase]} {formatDuration(time)}
        </span>
      ))}
      <span>{formatHours(lengthOf(cost.span))} of the month</span>
    </Tip>
  )
}

const Tip = styled.div`
  display: grid;
  padding: 6px 9px;
  font-size: 12px;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-radius: 3px;
`
