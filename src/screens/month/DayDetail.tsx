'use client'

import styled from 'styled-components'
import { civilDate, weekdayOf } from '../../core/calendar/civil.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import type { ShownDay } from '../../core/ledger/shownDays.ts'
import type { Estimate } from '../../core/meter/estimateMachine.ts'
import { clipSegments } from '../../core/power/timeline.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { media } from '../../interface/theme/media'
import { chargeTitle } from '../../wording/charge'
import { formatAmount } from '../../wording/money'
import { PHASE_NAMES } from '../../wording/state'
import { DAY_NAMES, formatClock, formatDay, formatDuration, formatHours, localTime } from '../../wording/time'
import { dayNotes } from './dayNotes.ts'
import { Beside, MonthSection } from './MonthSection'

interface DayDetailProps {
  readonly cost: ShownDay
  readonly estimate: Estimate
  readonly resolved: ResolvedMachine
}

/** One day in full: when each state begins, on the week's clock and in UTC, and what of each charge falls on it. */
export function DayDetail({ cost, estimate, resolved: { week } }: DayDetailProps) {
  const { day, span } = cost
  const segments = clipSegments(estimate.metered.timeline.segments, span)
  const { exceptions } = dayNotes(cost, week)
  const clock = (at: typeof span.from, zone: string): string => formatClock(localTime(at, zone).seconds)
  return (
    <MonthSection aria-label="The open day">
      <h2>
        {DAY_NAMES[weekdayOf(day)]}, {formatDay(day)} {civilDate(day).year}
        <Beside>{[formatHours(lengthOf(span)), ...exceptions].join(', ')}</Beside>
      </h2>
      <Columns>
        <Table aria-label="States of the day">
          <thead>
            <tr>
              <th scope="col">from</th>
              <th scope="col">UTC</th>
              <th scope="col">state</th>
              <th scope="col">for</th>
            </tr>
          </thead>
          <tbody>
            {segments.map(({ phase, from, to }) => (
              <tr key={from}>
                <td>{clock(from, week.timeZone)}</td>
                <td>{clock(from, 'Etc/UTC')}</td>
                <td>{PHASE_NAMES[phase]}</td>
                <td>{formatDuration(to - from)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Table aria-label="Charges of the day">
          <thead>
            <tr>
              <th scope="col">charge</th>
              <th scope="col">{estimate.currency}</th>
            </tr>
          </thead>
          <tbody>
            {cost.charges.map(({ charge, shown }, i) => (
              <tr key={i}>
                <td>{chargeTitle(charge)}</td>
                <td>{formatAmount(shown)}</td>
              </tr>
            ))}
            <tr data-total="">
              <th scope="row">together</th>
              <td>{formatAmount(cost.shown)}</td>
            </tr>
          </tbody>
        </Table>
      </Columns>
    </MonthSection>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 28px;
  align-items: start;
  ${media.narrow} {
    grid-template-columns: 1fr;
  }
`

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;

  th {
    font-weight: 400;
    font-size: 12px;
    color: var(--ink-2);
    text-align: left;
  }
  td {
    padding: 1px 0;
  }
  th:last-child,
  td:last-child {
    text-align: right;
  }
  tr[data-total] > * {
    border-top: 1px solid var(--ink);
    font-weight: 600;
    color: var(--ink);
  }
`
