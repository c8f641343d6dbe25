'use client'

import type { Subscription } from 'dexie'
import { useEffect, useState } from 'react'
import type { Ties } from '../../core/reconcile/tieLines.ts'
import { billsOf, type BillOfPlan } from '../../store/KeptBills.ts'
import { storageProblem } from '../../store/storageProblem.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

type Follow<Found> = (
  bills: ReturnType<typeof billsOf>,
  plan: string,
  tell: (found: Found) => void,
  fail: (error: unknown) => void,
) => Subscription

/** What is kept with the open plan, in whatever tab it changes; undefined until it is read. */
function useKept<Found>(follow: Follow<Found>, none: Found): Found | undefined {
  const { session, state } = useWorkbench()
  const { id } = state.plan
  const [kept, setKept] = useState<{ readonly of: string; readonly found: Found }>()
  useEffect(() => {
    if (id === undefined) return undefined
    const following = follow(
      billsOf(session),
      id,
      (found) => setKept({ of: id, found }),
      (error) => session.say(storageProblem(error)),
    )
    return () => following.unsubscribe()
  }, [session, id, follow])
  if (id === undefined) return none
  return kept?.of === id ? kept.found : undefined
}

const NO_BILLS: readonly BillOfPlan[] = []
const followBills: Follow<readonly BillOfPlan[]> = (bills, ...asked) => bills.follow(...asked)

/** The bills that are kept with the open plan, the newest month first. */
export const useBills = (): readonly BillOfPlan[] | undefined => useKept(followBills, NO_BILLS)

const NO_TIES: Ties = new Map()
const followTies: Follow<Ties> = (bills, ...asked) => bills.followTies(...asked)

/** Which resources a person said to be of which machine. */
export const useTies = (): Ties | undefined => useKept(followTies, NO_TIES)
