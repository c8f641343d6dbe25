'use client'

import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { ChangeBin } from '../../core/pricelist/summariseEditions.ts'

const HEIGHT = 170

const percent = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : ''}${Math.abs(Math.round(share * 100))}`

/** Where a bar begins; it reaches to the next. */
const nameOf = ({ from, to }: ChangeBin): string =>
  from === -Infinity ? `…${percent(to)}` : `${percent(from)}…`

/** How many prices changed by how much: cheaper to the left, dearer to the right. */
export function EditionChart({ bins }: { readonly bins: readonly ChangeBin[] }) {
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  const points = bins.map((bin) => ({ name: nameOf(bin), prices: bin.prices, isDearer: bin.from >= 0 }))
  return (
    <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 600, height: HEIGHT }}>
      <BarChart data={points} margin={{ top: 18, right: 4, bottom: 0, left: 4 }} accessibilityLayer={false}>
        <XAxis
          dataKey="name"
          tickLine={false}
          axisLine={{ stroke: 'var(--plate-edge)' }}
          tick={text}
          height={22}
          interval={0}
        />
        <YAxis hide />
        <Bar dataKey="prices" isAnimationActive={false} maxBarSize={54}>
          {points.map(({ name, isDearer }) => (
            <Cell key={name} fill={isDearer ? 'var(--held)' : 'var(--save)'} />
          ))}
          <LabelList
            dataKey="prices"
            position="top"
            fontSize={11}
            fill="var(--ink-2)"
            formatter={(value) => (value === 0 ? '' : value)}
          />
        </Bar>
      </BarChart>
    </ResponsiveContainer>
  )
}
