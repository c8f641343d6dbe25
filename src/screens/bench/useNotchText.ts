'use client'

import type { PlanNotch } from '../../core/wholePlan/surveyPlan.ts'
import { resolveMachine } from '../../core/machine/resolveMachine.ts'
import { bookFor } from '../../core/catalogue/bookFor.ts'
import { choiceWords, decisionName } from '../../wording/choice'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface NotchText {
  /** `Off: Deallocated`. */
  readonly name: string
}

/** What a notch of any machine of the plan is called. */
export function useNotchText(): (notch: PlanNotch) => NotchText {
  const { state, month } = useWorkbench()
  const { plan, books } = state
  return ({ machine: name, choice }) => {
    const machine = plan.machines.find((each) => each.name === name)
    const index = machine && bookFor(machine.provider, books, month)
    const found = machine && index?.ok ? resolveMachine(machine, plan, index.value) : undefined
    const words = found?.ok ? choiceWords({ choice }, found.value).name : ''
    return { name: `${decisionName(choice.decision).toLowerCase()}: ${words}` }
  }
}
