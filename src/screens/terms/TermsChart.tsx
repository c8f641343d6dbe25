'use client'

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import { toNumber } from '../../core/quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR } from '../../core/quantity/units.ts'
import type { TermsComparison } from '../../core/terms/compareTerms.ts'
import { currencySymbol } from '../../wording/money'
import { lineDash } from './lineDash.ts'

const HEIGHT = 230

interface TermsChartProps {
  readonly comparison: TermsComparison
  readonly currency: string
}

/** Machine time on each of the terms against hours of the month; the table beside it holds the figures. */
export function TermsChart({ comparison, currency }: TermsChartProps) {
  const { offers, scheduled, month } = comparison
  const points = offers[0]!.curve.map(({ seconds }, i) => ({
    hours: seconds / SECONDS_PER_HOUR,
    ...Object.fromEntries(offers.map(({ curve }, at) => [`terms${at}`, toNumber(curve[i]!.amount)])),
  }))
  const length = lengthOf(month) / SECONDS_PER_HOUR
  const own = scheduled / SECONDS_PER_HOUR
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  return (
    <Figure aria-hidden="true">
      <Caption>{currencySymbol(currency)} of machine time, by hours on in the month</Caption>
      <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 320, height: HEIGHT }}>
        <LineChart
          data={points}
          margin={{ top: 16, right: 8, bottom: 0, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis
            type="number"
            dataKey="hours"
            domain={[0, length]}
            ticks={[0, 0.25, 0.5, 0.75, 1].map((share) => Math.round(length * share))}
            tickLine={false}
            axisLine={{ stroke: 'var(--plate-edge)' }}
            tick={text}
            unit=" h"
            height={20}
          />
          <YAxis tickLine={false} axisLine={false} tick={text} width={42} />
          <ReferenceLine
            x={own}
            stroke="var(--run)"
            strokeWidth={1.5}
            label={{
              value: `on ${Math.round(own)} h`,
              position: own > length * 0.8 ? 'insideTopRight' : 'insideTopLeft',
              fontSize: 11,
              fontWeight: 600,
              fill: 'var(--run)',
              dy: -14,
            }}
          />
          {offers.map(({ terms, isPresent }, at) => (
            <Line
              key={terms.id}
              dataKey={`terms${at}`}
              type="linear"
              stroke="var(--ink)"
              strokeWidth={isPresent ? 2.4 : 1.3}
              strokeDasharray={lineDash(at)}
              dot={false}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </Figure>
  )
}

const Figure = styled.figure`
  margin: 0;
  min-width: 0;
`

const Caption = styled.figcaption`
  font-size: 12px;
  color: var(--ink-2);
`
