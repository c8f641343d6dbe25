import { losesData, roomHeld, roomsHeld, shrunkDisks } from '../machine/heldBy.ts'
import type { FitCheck } from './fitCheck.ts'

/** What the machine has now and must not lose, unless its needs say that it may. */
export const HELD_CHECKS: readonly FitCheck[] = [
  {
    // A disk that comes with the size has the room that the size gives it.
    concerns: ['size', 'disk-kind', 'disk-room', 'data-disk'],
    find: (resolved, disks) => {
      const { held, machine } = resolved
      if (!held || machine.needs.disks === 'any') return undefined
      // Of one disk that is looked at alone, the others are as they are.
      const isSystem = disks.length === 1 && disks[0]!.position === 0
      const [shrunk] = isSystem
        ? shrunkDisks(held.roomsGiB.slice(0, 1), [roomHeld(disks[0]!, resolved)])
        : shrunkDisks(held.roomsGiB, roomsHeld(resolved))
      return shrunk && { code: 'disk-smaller', position: shrunk.position, has: shrunk.to, needs: shrunk.from }
    },
  },
  {
    concerns: ['terms'],
    find: ({ held, terms, machine: { needs } }) =>
      terms.kind === 'spot' && held && !held.mayBeTaken && needs.interruption !== 'any'
        ? { code: 'taken-away', terms: terms.name, interruption: terms.interruption, by: 'as-now' }
        : undefined,
  },
]

/** The same of one state when off. */
export const HELD_IN_A_STATE: FitCheck = {
  concerns: ['off', 'snapshots', 'data-disk'],
  find: (resolved) => {
    const { held, machine } = resolved
    return held?.keepsData && machine.needs.data !== 'any' && losesData(resolved, machine.off)
      ? { code: 'data-lost', state: machine.off }
      : undefined
  },
}
