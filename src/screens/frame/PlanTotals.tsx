'use client'

import styled from 'styled-components'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import { planTotals } from '../../core/meter/planTotals.ts'
import { add } from '../../core/quantity/exact.ts'
import { media } from '../../interface/theme/media'
import { formatHourly, formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { readingText } from '../../wording/reading'
import { useSummaries, useWorkbench } from '../workbench/WorkbenchContext'

/** The plan's month beside the same month with nothing ever switched off. */
export function PlanTotals() {
  const { state, month, address } = useWorkbench()
  const { plan } = state
  // Providers begin their months in zones of their own; the plan's hour is one of the calendar's month.
  const span = billingMonth(month, 'Etc/UTC', address.reading)
  const summaries = useSummaries()
  const found = plan.machines.map(({ name }) => summaries.byName.get(name))
  const priced = found.flatMap((summary) => (summary?.priced ? [summary] : []))
  const unpriced = found.filter((summary) => summary && !summary.priced).length
  if (found.some((summary) => !summary))
    return <Totals aria-busy="true">Pricing {found.length} machines…</Totals>
  const totals = planTotals(plan, priced, month, SHOWN_DECIMALS)
  const { planned, alwaysOn, tax, currency, withoutRate } = totals
  return (
    <Totals aria-busy={summaries.pending} data-testid="plan-totals">
      <span>
        <Planned>{formatMoney(planned, currency)}</Planned> planned{readingText(address.reading)}
        <Hourly>, {formatHourly(planned, span)} an hour</Hourly>
        {tax && `, ${formatMoney(add(planned, tax), currency)} with ${plan.taxPercent} % tax`}
      </span>
      <span>{formatMoney(alwaysOn, currency)} always on</span>
      {unpriced > 0 && <Warning>without {unpriced} not priced</Warning>}
      {withoutRate.length > 0 && <Warning>without {withoutRate.join(', ')}: no exchange rate</Warning>}
    </Totals>
  )
}

const Totals = styled.div`
  display: flex;
  gap: 14px;
  align-items: baseline;
  color: var(--ink-2);
  white-space: nowrap;
  ${media.compact} {
    flex-direction: column;
    gap: 0;
  }
  ${media.narrow} {
    flex-direction: row;
    flex-wrap: wrap;
    white-space: normal;
  }
`

const Planned = styled.b`
  font-size: 16px;
  font-weight: 640;
  color: var(--ink);
`

const Hourly = styled.span`
  ${media.compact} {
    display: none;
  }
`

const Warning = styled.span`
  color: var(--leak);
`
