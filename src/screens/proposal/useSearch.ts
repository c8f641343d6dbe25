'use client'

import { useEffect, useMemo, useState } from 'react'
import type { Machine } from '../../core/machine/plan.ts'
import type { Found, SearchProgress } from '../../core/search/cheapestFit.ts'
import { askSearch } from '../../workers/askSearch.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export type SearchState =
  | { readonly at: 'searching'; readonly progress: SearchProgress }
  | { readonly at: 'found'; readonly found: Found | undefined }
  | { readonly at: 'failed'; readonly message: string }

const STARTING: SearchState = { at: 'searching', progress: { done: 0, of: 1 } }

/** Searches for the cheapest that fits as long as it is asked for; anew when the plan changes. */
export function useSearch(machine: Machine): SearchState {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const question = useMemo(
    () => ({ plan, books, month, reading, machines: [machine] }),
    [plan, books, month, reading, machine],
  )
  const [known, setKnown] = useState<{ readonly of: object; readonly state: SearchState }>()
  useEffect(() => {
    const tell = (next: SearchState): void => setKnown({ of: question, state: next })
    const { answer, cancel } = askSearch(question, (progress) => tell({ at: 'searching', progress }))
    answer.then(
      ([found]) => tell({ at: 'found', found }),
      (error: unknown) =>
        tell({ at: 'failed', message: error instanceof Error ? error.message : 'The search failed.' }),
    )
    return cancel
  }, [question])
  return known?.of === question ? known.state : STARTING
}
