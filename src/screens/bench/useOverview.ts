'use client'

import { useEffect, useMemo, useState } from 'react'
import type { OverviewPart } from '../../core/overview/planOverview.ts'
import { SHOWN_PLACES } from '../../interface/wording/money'
import { askOverview } from '../../workers/askOverview.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

type PartOf<K extends OverviewPart['kind']> = Extract<OverviewPart, { kind: K }>

/** What is known of the plan so far; parts of the last answer stay until newer ones come. */
export interface Overview {
  readonly month?: PartOf<'month'>
  readonly limits?: PartOf<'limits'>
  readonly ahead?: PartOf<'ahead'>
  readonly credit?: PartOf<'credit'>
  readonly progress?: PartOf<'progress'>
  readonly survey?: PartOf<'survey'>
  readonly enough?: PartOf<'enough'>
}

export interface OverviewState {
  readonly overview: Overview
  /** True until all of it is of the plan as it is now. */
  readonly pending: boolean
  readonly failure: string | undefined
}

/** Looks the plan over in a worker, anew with each edit; an answer to an older plan is given up. */
export function useOverview(): OverviewState {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const question = useMemo(
    () => ({ plan, books, month, reading, places: SHOWN_PLACES }),
    [plan, books, month, reading],
  )
  const [overview, setOverview] = useState<Overview>({})
  const [done, setDone] = useState<object>()
  const [failure, setFailure] = useState<{ readonly of: object; readonly message: string }>()
  useEffect(() => {
    if (question.books.length === 0) return undefined
    const seen = new Set<OverviewPart['kind']>()
    return askOverview(
      question,
      (part) => {
        if (part.kind === 'done') {
          // What did not come this time is not there any more, such as a credit that was taken away.
          setOverview((before) =>
            Object.fromEntries(
              Object.entries(before).filter(([kind]) => seen.has(kind as OverviewPart['kind'])),
            ),
          )
          setDone(question)
          return
        }
        seen.add(part.kind)
        setOverview((before) => ({ ...before, [part.kind]: part }))
      },
      (message) => setFailure({ of: question, message }),
    )
  }, [question])
  return {
    overview,
    pending: done !== question,
    failure: failure?.of === question ? failure.message : undefined,
  }
}
