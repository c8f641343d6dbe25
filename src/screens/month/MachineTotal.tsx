'use client'

import { moneyInPlan } from '../../wording/moneyInPlan'
import { useLiveWorkbench, useWorkbench } from '../workbench/WorkbenchContext'

/** The open machine's month, also while its week is being painted. */
export function MachineTotal() {
  const { state, result } = useLiveWorkbench()
  const { result: settled, month } = useWorkbench()
  const shown = state.isPreview ? result : settled
  if (!shown?.ok) return null
  const { total, currency } = shown.estimate
  return <b data-testid="machine-total">{moneyInPlan(total, currency, state.plan, month)}</b>
}
