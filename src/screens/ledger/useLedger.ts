'use client'

import { useMemo } from 'react'
import { planLedger, type PlanLedgerInputs } from '../../core/ledger/planLedger.ts'
import { ledgerAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { SHOWN_DECIMALS } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The ledger of the open machine at once; that of the whole plan from a worker. */
export function useLedger(timeZone: string) {
  const { state, address, month, machine } = useWorkbench()
  const { plan, books } = state
  const { reading, ledger } = address
  const byDays = ledger.fold === 'day' ? timeZone : undefined
  const byPart = ledger.fold === 'part'
  const ofPlan = ledger.of === 'plan'
  const only = machine?.name
  const inputs = useMemo(
    (): PlanLedgerInputs => ({
      plan,
      books,
      month,
      reading,
      byDaysOf: byDays,
      byPart,
      decimals: SHOWN_DECIMALS,
    }),
    [plan, books, month, reading, byDays, byPart],
  )
  const own = useMemo(
    () => (ofPlan ? undefined : planLedger({ ...inputs, only: only ?? '' })),
    [inputs, only, ofPlan],
  )
  const whole = useAnswer(ledgerAsker, ofPlan ? inputs : undefined)
  return { ...whole, ready: own ?? (whole.isStale ? undefined : whole.answer) }
}
