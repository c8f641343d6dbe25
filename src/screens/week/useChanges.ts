'use client'

import { useMemo } from 'react'
import { withWeek, type MachineChange } from '../../core/advice/planChange.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { compare } from '../../core/quantity/exact.ts'
import { useSettled } from '../../interface/useSettled'
import { changeAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Painting goes on without a question for every stroke. */
const SETTLES_AFTER_MS = 200

interface Changes {
  /** Of each form of the week; undefined until it is known of the plan as it is now. */
  readonly changes: readonly (readonly MachineChange[])[] | undefined
  readonly failure: string | undefined
}

/**
 * What the plan's machines would cost with a week in each of these forms, against the plan as it is. `weeks` must be the
 * same list as long as it says the same.
 */
export function useChanges(weeks: readonly WeekPlan[]): Changes {
  const { state, month, address } = useWorkbench()
  const plan = useSettled(state.plan, SETTLES_AFTER_MS)
  const { books } = state
  const after = useMemo(() => plan && weeks.map((week) => withWeek(plan, week)), [plan, weeks])
  const asked = plan && after && after.length > 0 && { plan, books, month, reading: address.reading, after }
  const { answer, isStale, failure } = useAnswer(changeAsker, asked || undefined)
  const isNow = !isStale && plan === state.plan
  const changes = useMemo(() => {
    if (!isNow || !answer) return undefined
    const sharers = new Set(
      plan.machines.filter(({ week }) => weeks.some(({ id }) => id === week)).map(({ name }) => name),
    )
    // Others can be touched through what an account shares, and are worth a line only then.
    const isSeen = ({ name, before, after: then }: MachineChange): boolean =>
      sharers.has(name) || !before || !then || compare(before, then) !== 0
    return answer.map((each) => each.filter(isSeen))
  }, [isNow, answer, plan, weeks])
  return { changes, failure }
}
