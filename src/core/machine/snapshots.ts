import { offStates } from '../off/offPlan.ts'
import { gib, type GiB } from '../quantity/units.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from './resolveMachine.ts'

/** Room in use on a disk: as the plan says, or what the image takes; where neither is known the disk counts in full. */
export function usedGiB({ image }: Pick<ResolvedMachine, 'image'>, { position, disk }: ResolvedDisk): GiB {
  return disk.snapshots?.usedGiB ?? (position === 0 ? image.usedGiB : undefined) ?? disk.roomGiB
}

/** GiB that a deleted machine brings back from snapshots each time that it is made anew. */
export function restoredGiB(resolved: ResolvedMachine): GiB {
  if (!offStates(resolved.machine).includes('deleted')) return gib(0)
  return gib(
    disksOf(resolved).reduce((sum, each) => {
      const comesBack = each.disk.goes && (each.disk.snapshots?.kept ?? 0) > 0
      return sum + (comesBack ? usedGiB(resolved, each) : 0)
    }, 0),
  )
}
