'use client'

import { memo } from 'react'
import styled from 'styled-components'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import { negate, sign, subtract } from '../../core/quantity/exact.ts'
import { QuietButton } from '../../interface/Button'
import { formatMoney } from '../../wording/money'
import { formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { instantText } from '../../wording/instantText.ts'
import { BenchSection, BenchTitle } from './BenchSection'

interface MonthBudgetProps {
  readonly part: Extract<OverviewPart, { kind: 'limits' }> | undefined
  readonly onEdit: () => void
}

/** The month against its budget: what is left of it, or from when on there is nothing left. */
export const MonthBudget = memo(function MonthBudget({ part, onEdit }: MonthBudgetProps) {
  const { month, state, address } = useWorkbench()
  const budget = part?.budget
  const zone = state.plan.credit?.timeZone ?? state.plan.weeks[0]?.timeZone ?? 'Etc/UTC'
  return (
    <BenchSection aria-label="Budget">
      <BenchTitle>
        Budget
        <QuietButton onPress={onEdit}>{budget ? 'Change…' : 'Set a budget…'}</QuietButton>
      </BenchTitle>
      {!part ? (
        <p>Pricing…</p>
      ) : !budget ? (
        <Muted>No budget for a month is set.</Muted>
      ) : (
        <p data-testid="budget">
          {formatMonth(month)} is{' '}
          {sign(budget.left) < 0 ? (
            <Over>{formatMoney(negate(budget.left), part.currency)} over</Over>
          ) : part.leftOut.length > 0 ? (
            <>
              <Over>not wholly priced</Over>: without {part.leftOut.length} of {state.plan.machines.length}{' '}
              machines {formatMoney(subtract(budget.budget, budget.left), part.currency)} are spent of
            </>
          ) : (
            <Within>{formatMoney(budget.left, part.currency)} within</Within>
          )}{' '}
          {formatMoney(budget.budget, part.currency)}
          {budget.at !== undefined && <>, used up on {instantText(budget.at, zone)}</>}
          {address.reading === '730-hours' && ', by true hours'}.
        </p>
      )}
    </BenchSection>
  )
})

const Over = styled.b`
  color: var(--leak);
`

const Within = styled.b`
  color: var(--save);
`

const Muted = styled.p`
  color: var(--ink-2);
`
