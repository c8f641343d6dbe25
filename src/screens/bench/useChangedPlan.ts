'use client'

import { useEffect, useState } from 'react'
import type { MachineChange } from '../../core/advice/planChange.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { askChange } from '../../workers/askChange.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What another form of the plan changes on its machines; undefined until that is known. */
export function useChangedPlan(after: Plan | undefined): readonly MachineChange[] | undefined {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const [found, setFound] = useState<{ readonly of: Plan; readonly changes: readonly MachineChange[] }>()
  useEffect(() => {
    if (!after) return undefined
    const { answer, cancel } = askChange({ plan, books, month, reading, after: [after] })
    answer.then(
      ([changes = []]) => setFound({ of: after, changes }),
      () => setFound({ of: after, changes: [] }),
    )
    return cancel
  }, [plan, books, month, reading, after])
  return found && found.of === after ? found.changes : undefined
}
