'use client'

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import { endOfDate } from '../../core/calendar/billingMonth.ts'
import { addMonths, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { formatDate, dayNumber, parseDate } from '../../core/calendar/civil.ts'
import type { CreditRunway } from '../../core/wholePlan/creditRunway.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import type { Span } from '../../core/quantity/units.ts'
import { moneyText } from '../../wording/money'
import { localTime, monthName } from '../../wording/time'

const HEIGHT = 170

interface CreditChartProps {
  readonly planned: CreditRunway
  readonly alwaysOn: CreditRunway
  readonly timeZone: string
}

/** What is left of the credit over time; the lines above it hold the figures. */
export function CreditChart({ planned, alwaysOn, timeZone }: CreditChartProps) {
  const { span, currency } = planned
  const ticks = monthStarts(span, timeZone)
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  const series = (runway: CreditRunway) =>
    runway.points.map(({ at, left }) => ({ at, left: Math.max(0, toNumber(left)) }))
  return (
    <Figure aria-hidden="true">
      <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 600, height: HEIGHT }}>
        <LineChart margin={{ top: 14, right: 14, bottom: 0, left: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis
            type="number"
            dataKey="at"
            domain={[span.from, span.to]}
            ticks={ticks.map(({ at }) => at)}
            tickFormatter={(at: number) => ticks.find((tick) => tick.at === at)?.name ?? ''}
            allowDuplicatedCategory={false}
            tickLine={false}
            axisLine={{ stroke: 'var(--plate-edge)' }}
            tick={text}
            height={20}
          />
          <YAxis
            tickLine={false}
            axisLine={false}
            tick={text}
            width={52}
            tickFormatter={(value: number) => moneyText(String(value), currency)}
          />
          <ReferenceLine
            x={span.to}
            stroke="var(--ink-2)"
            strokeDasharray="2 4"
            label={{
              value: 'expires',
              position: 'insideTopRight',
              fontSize: 11,
              fill: 'var(--ink-2)',
              dy: -14,
              dx: 6,
            }}
          />
          <Line
            data={series(alwaysOn)}
            dataKey="left"
            type="linear"
            stroke="var(--leak)"
            strokeWidth={1.4}
            strokeDasharray="6 4"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            data={series(planned)}
            dataKey="left"
            type="linear"
            stroke="var(--run)"
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
      <Caption>
        <svg width="26" height="8">
          <path d="M0 4h26" stroke="var(--run)" strokeWidth="2.4" />
        </svg>
        as planned
        <svg width="26" height="8">
          <path d="M0 4h26" stroke="var(--leak)" strokeWidth="1.4" strokeDasharray="6 4" />
        </svg>
        if nothing is switched off
      </Caption>
    </Figure>
  )
}

const MOST_TICKS = 14

/** First seconds of the months in a span, in the zone; every so many where they are many. */
function monthStarts(span: Span, timeZone: string): { readonly at: number; readonly name: string }[] {
  const first = formatDate(localTime(span.from, timeZone).day).slice(0, 7) as YearMonth
  const all: { at: number; name: string }[] = []
  for (let month: YearMonth | undefined = first; month; month = addMonths(month, 1)) {
    const at = endOfDate(formatDate(dayNumber(parseDate(`${month}-01`)! - 1)), timeZone)
    if (at >= span.to) break
    if (at >= span.from) all.push({ at, name: monthName(month).slice(0, 3) })
  }
  const every = Math.ceil(all.length / MOST_TICKS)
  return all.filter((_, i) => i % every === 0)
}

const Figure = styled.figure`
  margin: 0;
  min-width: 0;
`

const Caption = styled.figcaption`
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 12px;
  color: var(--ink-2);

  svg:not(:first-child) {
    margin-left: 12px;
  }
`
