'use client'

import type { MachineChange } from '../../core/advice/planChange.ts'
import { changeTotal } from '../../core/advice/changeTotal.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { currencyCode, formatDifference, SHOWN_DECIMALS } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface ChangeSumProps {
  readonly changes: readonly MachineChange[] | undefined
  readonly count: number
}

/** What a change costs or saves in all. */
export function ChangeSum({ changes, count }: ChangeSumProps) {
  const { state, month } = useWorkbench()
  if (!changes) return <p>Pricing {count} machines…</p>
  const { difference, currency, leftOut } = changeTotal(changes, state.plan, month, SHOWN_DECIMALS)
  return (
    <p data-testid="change-sum">
      The month changes by{' '}
      <b>
        {formatDifference(difference, ZERO)} {currencyCode(currency)}
      </b>
      {leftOut.length > 0 && `, without ${leftOut.join(', ')}`}.
    </p>
  )
}
