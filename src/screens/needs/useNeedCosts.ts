'use client'

import { useEffect, useMemo, useState } from 'react'
import { needsAsked, withoutNeed, type NeedId } from '../../core/fit/needId.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { subtract, type Exact } from '../../core/quantity/exact.ts'
import type { SearchResults } from '../../core/search/searchPlan.ts'
import { askSearch } from '../../workers/askSearch.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a need costs: the cheapest that fits, less the cheapest that fits without it. */
export type NeedCost = Exact | 'nothing-fits' | 'reckoning'

/** Searched off the page's thread, with each need left out in turn. Nothing that is pinned changes. */
export function useNeedCosts(machine: Machine): (id: NeedId) => NeedCost {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const asked = useMemo(() => needsAsked(machine.needs), [machine.needs])
  const question = useMemo(() => {
    const less = asked.map((id) => ({ ...machine, needs: withoutNeed(machine.needs, id) }))
    return { plan, books, month, reading, machines: [machine, ...less] }
  }, [plan, books, month, reading, machine, asked])
  const [found, setFound] = useState<{ readonly of: object; readonly results: SearchResults }>()
  useEffect(() => {
    const { answer, cancel } = askSearch(question, () => undefined)
    answer.then(
      (results) => setFound({ of: question, results }),
      () => setFound({ of: question, results: [] }),
    )
    return cancel
  }, [question])
  return (id) => {
    if (found?.of !== question) return 'reckoning'
    const [all] = found.results
    const less = found.results[asked.indexOf(id) + 1]
    return all && less ? subtract(all.total, less.total) : 'nothing-fits'
  }
}
