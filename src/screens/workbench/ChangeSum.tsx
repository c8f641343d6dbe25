'use client'

import type { MachineChange } from '../../core/advice/planChange.ts'
import { changeTotal } from '../../core/advice/changeTotal.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { currencyCode, formatDifference, SHOWN_DECIMALS } from '../../wording/money'
import { useWorkbench } from './WorkbenchContext'

interface ChangeSumProps {
  readonly changes: readonly MachineChange[]
}

/** What a change costs or saves in all. */
export function ChangeSum({ changes }: ChangeSumProps) {
  const { state, month } = useWorkbench()
  const { difference, currency, leftOut } = changeTotal(changes, state.plan, month, SHOWN_DECIMALS)
  return (
    <p data-testid="change-sum">
      The month changes by{' '}
      <b>
        {formatDifference(difference, ZERO)} {currencyCode(currency)}
      </b>
      {leftOut.length > 0 && `, without ${someNames(leftOut)}`}.
    </p>
  )
}

/** A plan can have thousands. */
const someNames = (names: readonly string[]): string =>
  names.length > 8 ? `${names.slice(0, 8).join(', ')} and ${names.length - 8} more` : names.join(', ')
