import type { ImageNeed } from '../../core/machine/imageNeed.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { gib } from '../../core/quantity/units.ts'

const NOTHING_YET = { architecture: 'any', disks: 'any', data: 'any' } as const

/** The machine once it is there: what it has then, it needs. */
export function asItIs(machine: Machine): Machine {
  const { architecture: _, disks: __, data: ___, ...needs } = machine.needs
  return { ...machine, needs }
}

/** A machine that needs so much, and such an image, and whose data may be in one jurisdiction only where one is said. */
export const applyLeastNeeds = (
  machine: Machine,
  vcpu: number,
  memoryGiB: number,
  jurisdiction: string | undefined,
  image: ImageNeed,
): Machine => ({
  ...machine,
  needs: {
    vcpu,
    memoryGiB: gib(memoryGiB),
    iops: 0,
    image,
    // It has nothing yet that it could lose.
    ...NOTHING_YET,
    ...(jurisdiction !== undefined && { jurisdictions: [jurisdiction] }),
  },
})
