'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { planLedger, type PlanLedger, type PlanLedgerInputs } from '../../core/ledger/planLedger.ts'
import { askLedger } from '../../workers/askLedger.ts'
import { SHOWN_PLACES } from '../../interface/wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'

export type LedgerState =
  | { readonly at: 'ready'; readonly answer: PlanLedger }
  | { readonly at: 'laying-out'; readonly cancel: () => void }
  | { readonly at: 'cancelled'; readonly again: () => void }
  | { readonly at: 'failed'; readonly message: string; readonly again: () => void }

/** The ledger of the open machine at once; that of the whole plan from a worker. */
export function useLedger(timeZone: string): LedgerState {
  const { state, address, month, machine } = useWorkbench()
  const { plan, books } = state
  const { reading, ledger } = address
  const byDays = ledger.fold === 'day' ? timeZone : undefined
  const ofPlan = ledger.of === 'plan'
  const only = machine?.name
  const inputs = useMemo(
    (): PlanLedgerInputs => ({ plan, books, month, reading, byDaysOf: byDays, places: SHOWN_PLACES }),
    [plan, books, month, reading, byDays],
  )
  const own = useMemo(
    () => (ofPlan ? undefined : planLedger({ ...inputs, only: only ?? '' })),
    [inputs, only, ofPlan],
  )
  const whole = usePlanLedger(ofPlan ? inputs : undefined)
  return own ? { at: 'ready', answer: own } : whole
}

function usePlanLedger(inputs: PlanLedgerInputs | undefined): LedgerState {
  const [attempt, setAttempt] = useState(0)
  const [found, setFound] = useState<{ readonly of: object; readonly state: LedgerState }>()
  const stop = useRef<() => void>(undefined)
  const key = useMemo(() => ({ inputs, attempt }), [inputs, attempt])
  const again = useCallback(() => setAttempt((count) => count + 1), [])
  useEffect(() => {
    if (!key.inputs) return
    const { answer, cancel } = askLedger(key.inputs)
    stop.current = cancel
    answer.then(
      (ledger) => setFound({ of: key, state: { at: 'ready', answer: ledger } }),
      (error: unknown) => {
        const message = error instanceof Error ? error.message : 'The ledger could not be laid out.'
        setFound({ of: key, state: { at: 'failed', message, again } })
      },
    )
    return cancel
  }, [key, again])
  const cancel = useCallback(() => {
    stop.current?.()
    setFound({ of: key, state: { at: 'cancelled', again } })
  }, [key, again])
  return found?.of === key ? found.state : { at: 'laying-out', cancel }
}
