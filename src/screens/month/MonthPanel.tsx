'use client'

import styled from 'styled-components'
import { hourByState } from '../../core/meter/hourByState.ts'
import { media } from '../../interface/theme/media'
import { formatExact, formatMoney, HOURLY_PLACES, shownDifference } from '../../wording/money'
import { formatHours, formatMonth, monthName } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { HourBars } from './HourBars'
import { MachineTotal } from './MachineTotal'
import { RestsOnAssumed } from './RestsOnAssumed'
import { MonthLines } from './MonthLines'
import { negate } from '../../core/quantity/exact.ts'
import { lengthAsRead } from '../../core/meter/estimateMachine.ts'
import { ConvertedTotal } from './ConvertedTotal'

/** What the open machine costs: an hour in each state, and the month line by line. */
export function MonthPanel() {
  const { state, address, month, result } = useWorkbench()
  if (!result?.ok) return <Panel aria-label="Cost of this machine" />
  const { estimate, resolved } = result
  const { currency, total, alwaysOn, averagePerHour } = estimate
  const saved = shownDifference(alwaysOn, total)
  const saves = saved.n >= 0n
  return (
    <Panel aria-label="Cost of this machine">
      <h2>One hour costs</h2>
      <HourBars
        hours={hourByState(resolved, result.month)}
        currency={currency}
        flat={resolved.terms.kind === 'flat'}
      />
      <h2>
        {formatMonth(month)}, line by line{address.reading === '730-hours' && ', read as 730 hours'}
      </h2>
      <MonthLines
        estimate={estimate}
        provider={resolved.index.book.provider.name}
        timeZone={resolved.week.timeZone}
      />
      <Total>
        <span>{resolved.machine.name}</span>
        <MachineTotal />
      </Total>
      <RestsOnAssumed book={resolved.index.book} />
      <Facts>
        <dt>to the last digit</dt>
        <dd data-testid="machine-total-exact">{formatExact(total)}</dd>
        <ConvertedTotal total={total} currency={currency} plan={state.plan} month={month} />
        <dt>averaged over {formatHours(lengthAsRead(estimate.month))}</dt>
        <dd>{formatMoney(averagePerHour, currency, HOURLY_PLACES)} an hour</dd>
        <dt>always on</dt>
        <dd>{formatMoney(alwaysOn, currency)}</dd>
      </Facts>
      <Saved $saves={saves}>
        <span>
          {saves ? 'Saved by switching off' : 'Switching off costs more'}, {monthName(month)}
        </span>
        <b>{formatMoney(saves ? saved : negate(saved), currency)}</b>
      </Saved>
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
  gap: 8px;
  border-top: 2px solid var(--ink);
  margin-top: 4px;
  padding-top: 6px;

  b {
    font-size: 20px;
    font-weight: 660;
    white-space: nowrap;
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

const Saved = styled.p<{ readonly $saves: boolean }>`
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: baseline;
  margin-top: 4px;
  padding-top: 6px;
  border-top: 1px solid var(--rule);

  b {
    font-size: 16px;
    font-weight: 640;
    white-space: nowrap;
    color: ${({ $saves }) => ($saves ? 'var(--save)' : 'var(--leak)')};
  }
`
