'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { hourByState } from '../../core/meter/hourByState.ts'
import { media } from '../../interface/theme/media'
import { formatExact, formatMoney, HOURLY_PLACES } from '../../wording/money'
import { formatHours, formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { HourBars } from './HourBars'
import { MachineTotal } from './MachineTotal'
import { RestsOnAssumed } from './RestsOnAssumed'
import { PaidFor } from './PaidFor'
import { MonthLines } from './MonthLines'
import { lengthAsRead } from '../../core/meter/estimateMachine.ts'
import { ConvertedTotal } from './ConvertedTotal'

/** What the open machine costs: its month and what that is paid for, an hour in each state, what to look out for, and the month line by line. */
export function MonthPanel({ children }: { readonly children?: ReactNode }) {
  const { state, address, month, result } = useWorkbench()
  if (!result?.ok) return <Panel aria-label="Cost of this machine" />
  const { estimate, resolved } = result
  const { currency, total, alwaysOn, averagePerHour } = estimate
  return (
    <Panel aria-label="Cost of this machine">
      <h2>
        {formatMonth(month)}
        {address.reading === '730-hours' && ', read as 730 hours'}
      </h2>
      <Total>
        <MachineTotal />
        <span>
          {formatMoney(averagePerHour, currency, HOURLY_PLACES)} an hour, averaged over{' '}
          {formatHours(lengthAsRead(estimate.month))}
        </span>
      </Total>
      <PaidFor priced={result} />
      <RestsOnAssumed book={resolved.index.book} />
      {children}
      <h2>One hour costs</h2>
      <HourBars
        hours={hourByState(resolved, result.month)}
        currency={currency}
        flat={resolved.terms.kind === 'flat'}
      />
      <h2>{formatMonth(month)}, line by line</h2>
      <MonthLines
        estimate={estimate}
        provider={resolved.index.book.provider.name}
        timeZone={resolved.week.timeZone}
      />
      <Facts>
        <dt>to the last digit</dt>
        <dd data-testid="machine-total-exact">{formatExact(total)}</dd>
        <ConvertedTotal total={total} currency={currency} plan={state.plan} month={month} />
        <dt>always on</dt>
        <dd>{formatMoney(alwaysOn, currency)}</dd>
      </Facts>
    </Panel>
  )
}

const Panel = styled.aside`
  contain: layout style;
  overflow: auto;
  padding: 14px 16px;
  border-left: 1px solid var(--rule);
  display: grid;
  gap: 6px;
  align-content: start;
  ${media.compact} {
    padding: 12px;
  }
  ${media.narrow} {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }

  & > h2:not(:first-child) {
    margin-top: 14px;
  }
`

const Total = styled.p`
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 8px;

  b {
    font-size: 20px;
    font-weight: 660;
    white-space: nowrap;
  }
  span {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Facts = styled.dl`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 8px;
  font-size: 12px;
  color: var(--ink-2);

  dd {
    text-align: right;
    color: var(--ink);
  }
`
