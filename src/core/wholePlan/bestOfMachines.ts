import type { Plan } from '../machine/plan.ts'
import type { PlanNotch } from './surveyPlan.ts'

/**
 * The first notch of each machine, in order: of notches in the order of what they save, each machine's best. Of machines
 * that must not fall together one alone moves: the others could go to the very zone that was free for each of them.
 */
export function bestOfMachines(
  notches: readonly PlanNotch[],
  { machines }: Pick<Plan, 'machines'>,
): PlanNotch[] {
  const groupOf = new Map(
    machines.flatMap(({ name, needs: { apart } }) => (apart ? [[name, apart.group] as const] : [])),
  )
  const seen = new Set<string>()
  const moved = new Set<string>()
  return notches.filter(({ machine, choice }) => {
    const group = choice.decision === 'place' ? groupOf.get(machine) : undefined
    if (seen.has(machine) || (group !== undefined && moved.has(group))) return false
    seen.add(machine)
    if (group !== undefined) moved.add(group)
    return true
  })
}
