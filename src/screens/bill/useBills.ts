'use client'

import { useEffect, useState } from 'react'
import type { Ties } from '../../core/reconcile/tieLines.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The bills that are kept with the open plan, the newest month first; undefined until they are read. */
export function useBills(): readonly BillOfPlan[] | undefined {
  const { session, state } = useWorkbench()
  const { id } = state.plan
  const [found, setFound] = useState<{ readonly of: string; readonly bills: readonly BillOfPlan[] }>()
  useEffect(() => {
    if (id === undefined) return undefined
    const following = billsOf(session).follow(
      id,
      (bills) => setFound({ of: id, bills }),
      (error) => session.say(storageProblem(error)),
    )
    return () => following.unsubscribe()
  }, [session, id])
  if (id === undefined) return NONE
  return found?.of === id ? found.bills : undefined
}

/** Which resources a person said to be of which machine; undefined until they are read. */
export function useTies(): Ties | undefined {
  const { session, state } = useWorkbench()
  const { id } = state.plan
  const [found, setFound] = useState<{ readonly of: string; readonly ties: Ties }>()
  useEffect(() => {
    if (id === undefined) return undefined
    const following = billsOf(session).followTies(
      id,
      (ties) => setFound({ of: id, ties }),
      (error) => session.say(storageProblem(error)),
    )
    return () => following.unsubscribe()
  }, [session, id])
  if (id === undefined) return NO_TIES
  return found?.of === id ? found.ties : undefined
}

const NO_TIES: Ties = new Map()
const NONE: readonly BillOfPlan[] = []
