import type { PlanNotch } from './surveyPlan.ts'

/** The first notch of each machine, in order: of notches in the order of what they save, each machine's best. */
export function bestOfMachines(notches: readonly PlanNotch[]): PlanNotch[] {
  const seen = new Set<string>()
  return notches.filter(({ machine }) => {
    if (seen.has(machine)) return false
    seen.add(machine)
    return true
  })
}
