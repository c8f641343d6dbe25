'use client'

import { memo } from 'react'
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import styled from 'styled-components'
import { cheaperFrom } from '../../core/market/hoursCurve.ts'
import type { OfferHours } from '../../core/market/marketView.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { media } from '../../interface/theme/media'
import { currencySymbol } from '../../wording/money'
import { formatNumber } from '../../wording/number'
import { lineDash } from '../terms/lineDash.ts'

const HEIGHT = 150

interface HoursPartProps {
  readonly hours: readonly OfferHours[]
  /** On in the month under its own week. */
  readonly own: number
  readonly currency: string
}

/** What the month costs by how long the machine is on each day: as it is, as what is looked at, and on steady terms. */
export const HoursPart = memo(function HoursPart({ hours, own, currency }: HoursPartProps) {
  const [now] = hours
  if (!now || now.points.length === 0) return null
  const data = now.points.map((point, at) => ({
    hours: point.hours,
    ...Object.fromEntries(
      hours.map(({ points }, each) => [`offer${each}`, points[at] && toNumber(points[at].total)]),
    ),
  }))
  const longest = now.points.at(-1)!.hours
  const text = { fontSize: 11, fill: 'var(--ink-2)' }
  return (
    <Part aria-label="What hours change">
      <div>
        <h2>What hours change</h2>
        <List>
          {hours.map((each, at) => (
            <li key={each.key}>
              <Dash aria-hidden="true">
                <path
                  d="M0 6H26"
                  stroke="var(--ink)"
                  strokeWidth={at === 0 ? 2.4 : 1.3}
                  strokeDasharray={lineDash(at)}
                />
              </Dash>
              <span>
                {at === 0
                  ? 'as it is'
                  : `${each.row.size}, ${each.row.place}, ${each.row.terms.toLowerCase()}`}
                {at > 0 && <small>{crossingText(now, each)}</small>}
              </span>
            </li>
          ))}
        </List>
      </div>
      <Chart aria-hidden="true">
        <figcaption>
          {currencySymbol(currency)} a month, by hours on in the month, the same every day
        </figcaption>
        <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 420, height: HEIGHT }}>
          <LineChart
            data={data}
            margin={{ top: 16, right: 8, bottom: 0, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              type="number"
              dataKey="hours"
              domain={[0, longest]}
              ticks={[0, 0.25, 0.5, 0.75, 1].map((share) => Math.round(longest * share))}
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
                value: `on ${formatNumber(own, 1)} h`,
                position: own > longest * 0.8 ? 'insideTopRight' : 'insideTopLeft',
                fontSize: 11,
                fontWeight: 600,
                fill: 'var(--run)',
                dy: -14,
              }}
            />
            {hours.map(({ key }, at) => (
              <Line
                key={key}
                dataKey={`offer${at}`}
                type="linear"
                stroke="var(--ink)"
                strokeWidth={at === 0 ? 2.4 : 1.3}
                strokeDasharray={lineDash(at)}
                dot={false}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </Chart>
    </Part>
  )
})

/** Where the other is the cheaper one. */
function crossingText(now: OfferHours, then: OfferHours): string {
  const from = cheaperFrom(now.points, then.points)
  const until = cheaperFrom(then.points, now.points)
  if (from !== undefined) return `cheaper above about ${formatNumber(Math.round(from))} h`
  if (until !== undefined) return `cheaper below about ${formatNumber(Math.round(until))} h`
  const last = toNumber(then.points.at(-1)!.total) - toNumber(now.points.at(-1)!.total)
  return last < 0 ? 'cheaper whatever the hours' : 'dearer whatever the hours'
}

const Part = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 210px) minmax(0, 1fr);
  gap: 14px;
  margin-top: 10px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const List = styled.ul`
  display: grid;
  gap: 6px;
  margin-top: 6px;
  font-size: 12px;

  li {
    display: flex;
    gap: 8px;
  }
  small {
    display: block;
    color: var(--ink-2);
  }
`

const Dash = styled.svg`
  flex: none;
  width: 26px;
  height: 12px;
`

const Chart = styled.figure`
  margin: 0;
  min-width: 0;

  figcaption {
    font-size: 12px;
    color: var(--ink-2);
  }
`
