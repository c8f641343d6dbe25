import type { Plan } from '../../core/machine/plan.ts'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import { parsePlan } from './planFile.ts'
import { planToFile } from './planDocument.ts'

/**
 * Whether a plan passes its checks, where the one that it was made from passed them: what both share, as the same
 * objects, is not looked at again. O(what differs + machines); throws where it is no plan at all.
 */
export function passesAsChanged(before: Plan, after: Plan): boolean {
  const known = new Set(before.machines)
  if (!Array.isArray(after.machines) || after.machines.length > MOST_MACHINES) return false
  const machines = after.machines.filter((machine) => !known.has(machine))
  if (!parsePlan(planToFile({ ...after, machines })).ok) return false
  return (
    new Set(after.machines.map(({ name }) => name)).size === after.machines.length &&
    weeksAreThere(before, after) &&
    groupsAreThere(before, after)
  )
}

/** A week that is gone may be one that a machine which did not change goes by. */
function weeksAreThere(before: Plan, after: Plan): boolean {
  if (before.weeks === after.weeks) return true
  const ids = new Set(after.weeks.map(({ id }) => id))
  return after.machines.every(
    ({ week, variants = [] }) => ids.has(week) && variants.every(({ form }) => ids.has(form.week)),
  )
}

function groupsAreThere(before: Plan, after: Plan): boolean {
  if (before.apartGroups === after.apartGroups) return true
  const names = new Set(after.apartGroups?.map(({ name }) => name))
  return after.machines.every(({ needs: { apart } }) => !apart || names.has(apart.group))
}
