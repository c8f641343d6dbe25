'use client'

import { useMemo } from 'react'
import type { Plan } from '../../core/machine/plan.ts'
import { changeAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What another form of the plan changes on its machines; undefined until that is known. */
export function useChangedPlan(after: Plan | undefined) {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const forms = useMemo(() => after && [after], [after])
  const { answer, isStale, failure } = useAnswer(
    changeAsker,
    forms && { plan, books, month, reading: address.reading, after: forms },
  )
  return { changes: isStale ? undefined : answer?.[0], failure }
}
