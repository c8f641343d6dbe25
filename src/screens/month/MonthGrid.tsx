'use client'

import { ownValue } from '../../core/ownValue.ts'
import { useRef } from 'react'
import styled from 'styled-components'
import { civilDate, weekdayOf, type DayNumber, type Weekday } from '../../core/calendar/civil.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { ShownDay } from '../../core/ledger/shownDays.ts'
import type { DailyCost } from '../../core/meter/dailyCosts.ts'
import type { Estimate } from '../../core/meter/estimateMachine.ts'
import { clipSegments } from '../../core/power/timeline.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { STATE_FILL } from '../../interface/StatePatterns'
import { media } from '../../interface/theme/media'
import { formatAmount } from '../../wording/money'
import { DAY_NAMES, shortDay } from '../../wording/time'
import { daySentence, dayNotes, staysOf } from './dayNotes.ts'

interface MonthGridProps {
  readonly days: readonly ShownDay[]
  readonly firstColumn: Weekday
  readonly open: DayNumber
  readonly estimate: Estimate
  readonly week: WeekPlan
  readonly onOpen: (day: DayNumber) => void
}

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }

/** Days in columns of weekdays. Arrow keys go from day to day; a day opens as it is reached. */
export function MonthGrid({ days, firstColumn, open, estimate, week, onOpen }: MonthGridProps) {
  const grid = useRef<HTMLDivElement>(null)
  const goTo = (at: number): void => {
    const next = days[Math.min(days.length - 1, Math.max(0, at))]!
    onOpen(next.day)
    grid.current?.querySelector<HTMLElement>(`[data-day="${next.day}"]`)?.focus()
  }
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = ownValue(STEPS, event.key)
    // From where the focus is: the address, and with it the open day, follows a moment later.
    const from = event.target instanceof HTMLElement ? Number(event.target.dataset['day']) : NaN
    const at = days.findIndex(({ day }) => day === from)
    if (at < 0) return
    if (step !== undefined) goTo(at + step)
    else if (event.key === 'Home') goTo(0)
    else if (event.key === 'End') goTo(days.length - 1)
    else return
    event.preventDefault()
  }
  return (
    <>
      <Grid aria-hidden="true">
        {DAY_NAMES.map((name, day) => (
          <Weekday key={name}>{shortDay(day)}</Weekday>
        ))}
      </Grid>
      <Grid ref={grid} role="listbox" aria-label="Days of the month" onKeyDown={onKeyDown}>
        {days.map((cost, i) => {
          const notes = dayNotes(cost, week)
          const isOpen = cost.day === open
          return (
            <Day
              key={cost.day}
              role="option"
              aria-selected={isOpen}
              aria-label={daySentence(cost, estimate.currency, notes)}
              tabIndex={isOpen ? 0 : -1}
              data-day={cost.day}
              data-weekend={weekdayOf(cost.day) >= 5 || undefined}
              style={i === 0 ? { gridColumnStart: firstColumn + 1 } : undefined}
              onClick={() => goTo(i)}
            >
              <span data-part="date">{civilDate(cost.day).day}</span>
              <span data-part="cost">{formatAmount(cost.shown)}</span>
              <DayStrip cost={cost} estimate={estimate} />
              <span data-part="note">
                {[...(notes.length ? [notes.length] : []), ...notes.exceptions].join(', ')}
              </span>
            </Day>
          )
        })}
      </Grid>
    </>
  )
}

/** The day from its first instant to its last, in the power states. */
function DayStrip({ cost: { span }, estimate }: { readonly cost: DailyCost; readonly estimate: Estimate }) {
  const percent = (at: number): number => ((at - span.from) / lengthOf(span)) * 100
  return (
    <svg data-part="strip" width="100%" height="9" aria-hidden="true">
      {staysOf(clipSegments(estimate.metered.timeline.segments, span)).map(({ state, from, to }) => (
        <rect
          key={from}
          x={`${percent(from)}%`}
          width={`${percent(to) - percent(from)}%`}
          height="9"
          fill={STATE_FILL[state]}
        />
      ))}
    </svg>
  )
}

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 3px;
  margin-top: 6px;
`

const Weekday = styled.span`
  padding-left: 6px;
  font-size: 12px;
  color: var(--ink-2);
`

const Day = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0 6px;
  align-content: start;
  min-height: 60px;
  padding: 3px 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;

  &[aria-selected='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 0 0 1px var(--ink);
  }
  [data-part='date'] {
    font-weight: 600;
  }
  &[data-weekend] [data-part='date'] {
    font-weight: 400;
    color: var(--ink-2);
  }
  [data-part='cost'] {
    text-align: right;
  }
  [data-part='strip'] {
    grid-column: 1 / -1;
    display: block;
    margin-top: 2px;
  }
  [data-part='note'] {
    grid-column: 1 / -1;
    min-height: 15px;
    font-size: 11px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
    [data-part='cost'] {
      grid-column: 1;
      text-align: left;
      font-size: 11px;
    }
  }
`
