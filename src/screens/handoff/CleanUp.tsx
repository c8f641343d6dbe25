'use client'

import styled from 'styled-components'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { add, ZERO } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { cleanedUp } from '../../store/commands.ts'
import { formatMoney } from '../../wording/money'
import { formatMonth } from '../../wording/time'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What bills showed to be left over, to be deleted by hand and ticked off. */
export function CleanUp({ currency }: { readonly currency: string }) {
  const { session, state } = useWorkbench()
  const { cleanUp = [] } = state.plan
  if (cleanUp.length === 0) return null
  const total = cleanUp.reduce((sum, { cost }) => add(sum, parseDecimal(cost) ?? ZERO), ZERO)
  return (
    <Part aria-label="To clean up">
      <h2>To clean up</h2>
      <p>
        Still there by the bill, {formatMoney(total, currency)} in its months. Nothing here is deleted for
        you.
      </p>
      <ul>
        {cleanUp.map(({ resource, month, cost }) => (
          <li key={resource}>
            <span>
              <b>{resource}</b>, {formatMoney(parseDecimal(cost) ?? ZERO, currency)} in {formatMonth(month)}
            </span>
            <Button
              data-print="no"
              aria-label={`${resource} is deleted`}
              onPress={() => session.edit(`${resource} is deleted`, cleanedUp(new Set([resource])))}
            >
              It is deleted
            </Button>
          </li>
        ))}
      </ul>
    </Part>
  )
}

const Part = styled.section`
  display: grid;
  gap: 4px;
  margin-bottom: 18px;
  padding: 10px 12px;
  border-left: 3px solid var(--leak);
  background: var(--held-pale);

  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: baseline;
    justify-content: space-between;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
`
