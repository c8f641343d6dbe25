'use client'

import { memo, useMemo } from 'react'
import styled from 'styled-components'
import { shownDays } from '../../core/ledger/shownDays.ts'
import type { Estimate } from '../../core/meter/estimateMachine.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { formatMoney } from '../../wording/money'
import { formatDay } from '../../wording/time'
import { lazyPart } from '../../interface/lazyPart'
import { useWhenIdle } from '../../interface/useWhenIdle.ts'
import { VisuallyHidden } from '../../interface/VisuallyHidden'

interface DayByDayProps {
  readonly resolved: ResolvedMachine
  readonly estimate: Estimate
  /** Pixels at the least; it takes up what height is left. */
  readonly leastHeight: number
}

const DayBars = lazyPart(() => import('./DayBars'), 'DayBars', { drawing: '100%' })

/** The month by local days of the week's zone: what the machine costs while on, above the floor that remains when off. */
export function DayByDay({ resolved, estimate, leastHeight }: DayByDayProps) {
  // The chart is the dearest thing to draw, so the figures beside it come first and it follows when nothing else is to be done.
  const later = useWhenIdle(useMemo(() => ({ resolved, estimate }), [resolved, estimate]))
  return <Days {...later} leastHeight={leastHeight} />
}

const Days = memo(function Days({ resolved, estimate, leastHeight }: DayByDayProps) {
  const { timeZone } = resolved.week
  const days = useMemo(() => shownDays(estimate, timeZone), [estimate, timeZone])
  return (
    <Figure style={{ minHeight: leastHeight }}>
      <Chart aria-hidden="true">
        <DayBars days={days} currency={estimate.currency} leastHeight={leastHeight} />
      </Chart>
      <VisuallyHidden as="table">
        <caption>Cost of each day</caption>
        <tbody>
          {days.map((cost) => (
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

/** What the two parts of a bar are. */
export function DayLegend() {
  return (
    <Legend role="group" aria-label="Legend of the chart of days">
      <i aria-hidden="true" style={{ background: 'var(--run)' }} /> machine time{' '}
      <i aria-hidden="true" style={{ background: 'var(--off)' }} /> whatever its state
    </Legend>
  )
}

const Legend = styled.span`
  margin-left: auto;
  font-size: 12px;
  font-weight: 400;

  i {
    display: inline-block;
    width: 9px;
    height: 9px;
    margin: 0 3px 0 8px;
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
