'use client'

import { useEffect, useState } from 'react'
import { withWeek, type MachineChange } from '../../core/advice/planChange.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { compare } from '../../core/quantity/exact.ts'
import { useSettled } from '../../interface/useSettled'
import { askChange } from '../../workers/askChange.ts'
import type { ChangeAnswer } from '../../workers/changeWorkerProtocol.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Painting goes on without a question for every stroke. */
const SETTLES_AFTER_MS = 200

/**
 * What the plan's machines would cost with a week in each of these forms, against the plan as it is; undefined until it
 * is known. `weeks` must be the same list as long as it says the same.
 */
export function useChanges(weeks: readonly WeekPlan[]): ChangeAnswer | undefined {
  const { state, month, address } = useWorkbench()
  const plan = useSettled(state.plan, SETTLES_AFTER_MS)
  const { books } = state
  const { reading } = address
  const [found, setFound] = useState<{
    readonly weeks: object
    readonly plan: object
    readonly answer: ChangeAnswer
  }>()
  useEffect(() => {
    if (!plan || weeks.length === 0) return undefined
    const after = weeks.map((week) => withWeek(plan, week))
    const sharers = new Set(
      plan.machines.filter(({ week }) => weeks.some(({ id }) => id === week)).map(({ name }) => name),
    )
    // Others can be touched through what an account shares, and are worth a line only then.
    const isSeen = ({ name, before, after: then }: MachineChange): boolean =>
      sharers.has(name) || !before || !then || compare(before, then) !== 0
    const { answer, cancel } = askChange({ plan, books, month, reading, after })
    answer.then(
      (changes) => setFound({ weeks, plan, answer: changes.map((each) => each.filter(isSeen)) }),
      () => setFound({ weeks, plan, answer: [] }),
    )
    return cancel
  }, [plan, books, month, reading, weeks])
  return found?.weeks === weeks && found.plan === state.plan ? found.answer : undefined
}
