'use client'

import styled from 'styled-components'
import { planTotals } from '../../core/meter/estimatePlan.ts'
import { media } from '../../interface/theme/media'
import { formatHourly, formatMoney, SHOWN_PLACES } from '../../interface/wording/money'
import { useSummaries, useWorkbench } from './WorkbenchContext'

/** The plan's month beside the same month with nothing ever switched off. */
export function PlanTotals() {
  const { state, result } = useWorkbench()
  const span = result?.ok ? result.month : undefined
  const summaries = useSummaries()
  const found = state.plan.machines.map(({ name }) => summaries.byName.get(name))
  const priced = found.flatMap((summary) => (summary?.priced ? [summary] : []))
  const unpriced = found.filter((summary) => summary && !summary.priced).length
  const totals = planTotals(priced, state.books[0]?.currency ?? 'EUR', SHOWN_PLACES)
  if (found.some((summary) => !summary))
    return <Totals aria-busy="true">Pricing {found.length} machines…</Totals>
  if (!totals.ok) {
    const { expected, found: other } = totals.issues[0]
    return (
      <Totals>
        No plan total: {expected} and {other} are not added without a rate
      </Totals>
    )
  }
  const { planned, alwaysOn } = totals.value
  return (
    <Totals aria-busy={summaries.pending} data-testid="plan-totals">
      <span>
        <Planned>{formatMoney(planned.amount, planned.currency)}</Planned> planned
        {span && <Hourly>, {formatHourly(planned.amount, span)} an hour</Hourly>}
      </span>
      <span>{formatMoney(alwaysOn.amount, alwaysOn.currency)} always on</span>
      {unpriced > 0 && <Warning>without {unpriced} not priced</Warning>}
    </Totals>
  )
}

const Totals = styled.div`
  display: flex;
  gap: 14px;
  align-items: baseline;
  color: var(--ink-2);
  white-space: nowrap;
  ${media.narrow} {
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
