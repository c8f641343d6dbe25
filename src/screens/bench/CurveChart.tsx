'use client'

import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import type { CurvePoint } from '../../core/wholePlan/creditCurve.ts'
import { instant } from '../../core/quantity/units.ts'
import { formatDay, localTime } from '../../wording/time'

const HEIGHT = 150

interface CurveChartProps {
  readonly points: readonly CurvePoint[]
  readonly picked: number
  /** The first so many changes cost nothing to live with. */
  readonly lossless: number
  readonly timeZone: string
  readonly onPick: (count: number) => void
}

/** The day until which the credit lasts, against the number of changes; what stands beside it holds the figures. */
export function CurveChart({ points, picked, lossless, timeZone, onPick }: CurveChartProps) {
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  const data = points.map(({ count, end }) => ({ count, at: end.at }))
  const most = data.at(-1)!.count
  const chosen = data.find(({ count }) => count === picked)!
  const day = (at: number): string => formatDay(localTime(instant(at), timeZone).day)
  return (
    <figure aria-hidden="true" style={{ margin: 0, width: '100%', minWidth: 0 }}>
      <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 600, height: HEIGHT }}>
        <LineChart
          data={data}
          margin={{ top: 8, right: 14, bottom: 0, left: 4 }}
          accessibilityLayer={false}
          onClick={({ activeLabel }) => activeLabel !== undefined && onPick(Number(activeLabel))}
        >
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis
            type="number"
            dataKey="count"
            domain={[0, most]}
            ticks={ticksUpTo(most)}
            interval={0}
            tickLine={false}
            axisLine={{ stroke: 'var(--plate-edge)' }}
            tick={text}
            height={20}
          />
          <YAxis
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={day}
            tickLine={false}
            axisLine={false}
            tick={text}
            width={62}
            tickCount={4}
          />
          {lossless > 0 && lossless < most && (
            <ReferenceLine x={lossless} stroke="var(--ink-2)" strokeDasharray="2 4" />
          )}
          <Line
            dataKey="at"
            type="stepAfter"
            stroke="var(--run)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <ReferenceDot x={chosen.count} y={chosen.at} r={5} fill="var(--ink)" stroke="var(--sheet)" />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  )
}

/** Round counts, at most ten of them. */
function ticksUpTo(most: number): number[] {
  const step = [1, 2, 5, 10, 20, 50].find((each) => most / each <= 10) ?? 100
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step)
}
