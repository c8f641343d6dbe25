import type { Machine } from '../machine/plan.ts'
import { offPlanKey } from '../off/offPlan.ts'

/** In how many fields two forms of a machine differ: of equally cheap ones, the nearer is proposed. */
export function countChanges(before: Machine, after: Machine): number {
  const fields = ['provider', 'region', 'zone', 'size', 'image', 'terms'] as const
  const changed = fields.filter((field) => before[field] !== after[field]).length
  const off = Number(offPlanKey(before) !== offPlanKey(after))
  const disk = (['kind', 'roomGiB'] as const).filter(
    (field) => before.systemDisk[field] !== after.systemDisk[field],
  )
  return changed + off + disk.length
}
