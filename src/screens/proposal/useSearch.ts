'use client'

import { useMemo } from 'react'
import type { Machine } from '../../core/machine/plan.ts'
import { searchAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Searches for the cheapest that fits as long as it is asked for; anew when the plan changes. */
export function useSearch(machine: Machine) {
  const { state, month, address } = useWorkbench()
  const { plan, books } = state
  const machines = useMemo(() => [machine], [machine])
  return useAnswer(searchAsker, { plan, books, month, reading: address.reading, machines })
}
