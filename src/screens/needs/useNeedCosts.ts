'use client'

import { useCallback, useMemo } from 'react'
import { withoutNeed, type NeedId } from '../../core/fit/needId.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { subtract, type Exact } from '../../core/quantity/exact.ts'
import { searchAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a need costs: the cheapest that fits, less the cheapest that fits without it. */
export type NeedCost = Exact | 'nothing-fits' | 'reckoning' | 'failed'

/** Searched off the page's thread, with each need left out in turn, once it is asked for. Nothing that is pinned changes. */
export function useNeedCosts(
  machine: Machine,
  asked: readonly NeedId[],
  isAsked = true,
): (id: NeedId) => NeedCost {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const machines = useMemo(
    () => [machine, ...asked.map((id) => ({ ...machine, needs: withoutNeed(machine.needs, id) }))],
    [machine, asked],
  )
  const { reading } = address
  const { answer, isStale, failure } = useAnswer(
    searchAsker,
    isAsked ? { plan, books, month, reading, machines } : undefined,
  )
  return useCallback(
    (id) => {
      if (failure) return 'failed'
      if (isStale || !answer) return 'reckoning'
      const [all] = answer
      const less = answer[asked.indexOf(id) + 1]
      return all && less ? subtract(all.total, less.total) : 'nothing-fits'
    },
    [failure, isStale, answer, asked],
  )
}
