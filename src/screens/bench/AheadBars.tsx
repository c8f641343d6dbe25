'use client'

import { Bar, BarChart, CartesianGrid, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { moneyText } from '../../wording/money'

const HEIGHT = 150

interface AheadBarsProps {
  readonly points: readonly { readonly month: string; readonly committed: number; readonly rest: number }[]
  readonly currency: string
  readonly budget: number | undefined
}

/** A bar for each of the months, and the budget as a line across them. */
export function AheadBars({ points, currency, budget }: AheadBarsProps) {
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  return (
    <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 600, height: HEIGHT }}>
      <BarChart data={points} margin={{ top: 10, right: 48, bottom: 0, left: 4 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="month"
          tickLine={false}
          axisLine={{ stroke: 'var(--plate-edge)' }}
          tick={text}
          height={20}
          interval={0}
        />
        <YAxis
          tickLine={false}
          axisLine={false}
          tick={text}
          width={52}
          tickFormatter={(value: number) => moneyText(String(value), currency)}
        />
        <Bar
          dataKey="committed"
          stackId="month"
          fill="var(--off)"
          isAnimationActive={false}
          maxBarSize={38}
        />
        <Bar dataKey="rest" stackId="month" fill="var(--run)" isAnimationActive={false} maxBarSize={38} />
        {budget !== undefined && (
          <ReferenceLine
            y={budget}
            stroke="var(--leak)"
            strokeDasharray="6 4"
            ifOverflow="extendDomain"
            label={{ value: 'budget', position: 'right', fontSize: 11, fill: 'var(--leak)' }}
          />
        )}
      </BarChart>
    </ResponsiveContainer>
  )
}
