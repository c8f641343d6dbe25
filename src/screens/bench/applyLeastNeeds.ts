import type { ImageNeed } from '../../core/machine/imageNeed.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { gib } from '../../core/quantity/units.ts'

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
    ...(jurisdiction !== undefined && { jurisdictions: [jurisdiction] }),
  },
})
