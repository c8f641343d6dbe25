'use client'

import { memo, useMemo } from 'react'
import styled from 'styled-components'
import { shownDays } from '../../core/ledger/shownDays.ts'
import { dailyParts } from '../../core/meter/dailyParts.ts'
import { MONTH_PARTS } from '../../core/meter/monthPart.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { PART_NAMES } from '../../wording/monthPart'
import { formatMoney } from '../../wording/money'
import { formatDay } from '../../wording/time'
import { lazyPart } from '../../interface/lazyPart'
import { useWhenIdle } from '../../interface/useWhenIdle.ts'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { PartSwatch } from './MonthBar'

interface DayByDayProps {
  readonly priced: PricedMachine
  /** Pixels at the least; it takes up what height is left. */
  readonly leastHeight: number
}

const DayBars = lazyPart(() => import('./DayBars'), 'DayBars', { drawing: '100%' })

/** The month by local days of the week's zone: what of each is kept, asked for, and leaks. */
export function DayByDay({ priced, leastHeight }: DayByDayProps) {
  // The chart is the dearest thing to draw, so the figures beside it come first and it follows when nothing else is to be done.
  const later = useWhenIdle(useMemo(() => ({ priced }), [priced]))
  return <Days {...later} leastHeight={leastHeight} />
}

const Days = memo(function Days({ priced, leastHeight }: DayByDayProps) {
  const { resolved, estimate } = priced
  const { timeZone } = resolved.week
  const days = useMemo(() => {
    const shown = shownDays(estimate, timeZone)
    const parts = dailyParts(
      priced,
      shown.map(({ span }) => span),
    )
    return shown.map((cost, i) => ({ cost, parts: parts[i]! }))
  }, [priced, estimate, timeZone])
  return (
    <Figure style={{ minHeight: leastHeight }}>
      <Chart aria-hidden="true">
        <DayBars days={days} currency={estimate.currency} leastHeight={leastHeight} />
      </Chart>
      <VisuallyHidden as="table">
        <caption>Cost of each day</caption>
        <tbody>
          {days.map(({ cost }) => (
            <tr key={cost.span.from}>
              <th scope="row">{formatDay(cost.day)}</th>
              <td>{formatMoney(cost.shown, estimate.currency)}</td>
            </tr>
          ))}
        </tbody>
      </VisuallyHidden>
    </Figure>
  )
})

/** What the parts of a bar are. */
export function DayLegend() {
  return (
    <Legend role="group" aria-label="Legend of the chart of days">
      {MONTH_PARTS.map((part) => (
        <span key={part}>
          <PartSwatch part={part} /> {PART_NAMES[part].toLowerCase()}
        </span>
      ))}
    </Legend>
  )
}

const Legend = styled.span`
  margin-left: auto;
  font-size: 12px;
  font-weight: 400;

  span {
    margin-left: 10px;
    white-space: nowrap;
  }
`

const Figure = styled.figure`
  position: relative;
  flex: 1;
  max-height: 190px;
  margin: 0;
`

const Chart = styled.div`
  position: absolute;
  inset: 0;
`
