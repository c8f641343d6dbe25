'use client'

import { useDeferredValue, useMemo } from 'react'
import styled from 'styled-components'
import { yearMonthParts } from '../../core/calendar/yearMonth.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { twelveMonths } from '../../core/meter/twelveMonths.ts'
import { media } from '../../interface/theme/media'
import { formatAmount, formatMoney } from '../../wording/money'
import { readingText } from '../../wording/reading'
import { formatHours, formatMonth, monthName } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { Beside, MonthSection } from './MonthSection'

/** The twelve months from the open one on, each as long as it is and by the prices that are valid then. */
export function TwelveMonths({ machine }: { readonly machine: Machine }) {
  const { state, address, month, go } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  // Twelve times the work of the month above: it follows when there is time.
  const asked = useDeferredValue(
    useMemo(() => ({ machine, plan, books, month, reading }), [machine, plan, books, month, reading]),
  )
  const { months, total, onTime, unpriced } = useMemo(() => twelveMonths(asked.machine, asked), [asked])
  return (
    <MonthSection aria-label="Twelve months">
      <h2>
        Twelve months from {formatMonth(asked.month)}
        <Beside data-testid="year-total">
          {total ? `${formatMoney(total.amount, total.currency)}, ` : ''}
          {formatHours(onTime)} on{readingText(reading)}
          {unpriced > 0 && `, ${unpriced} without prices`}
        </Beside>
      </h2>
      <List>
        {months.map(({ month: each, result }) => (
          <li key={each}>
            <Month
              type="button"
              aria-current={each === month || undefined}
              aria-label={`${formatMonth(each)}: ${result.ok ? formatMoney(result.estimate.total, result.estimate.currency) : 'no price'}`}
              onClick={() => go({ month: each, day: undefined })}
            >
              <span>
                {monthName(each).slice(0, 3)} {yearMonthParts(each).year % 100}
              </span>
              <b>{result.ok ? formatAmount(result.estimate.total, 2) : 'no price'}</b>
              <span>{result.ok ? formatHours(result.estimate.onTime) : ''}</span>
            </Month>
          </li>
        ))}
      </List>
    </MonthSection>
  )
}

const List = styled.ul`
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 3px;
  margin-top: 4px;
  ${media.compact} {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
  ${media.narrow} {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
`

const Month = styled.button`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 6px;
  width: 100%;
  padding: 3px 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: none;
  text-align: left;
  cursor: pointer;

  span {
    white-space: nowrap;
  }
  b {
    font-weight: 600;
    text-align: right;
  }
  span:last-child {
    grid-column: 2;
    font-size: 12px;
    color: var(--ink-2);
    text-align: right;
  }
  &[aria-current] {
    border-color: var(--ink);
  }
  ${media.coarse} {
    min-height: 44px;
  }
`
