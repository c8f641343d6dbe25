import type { Size, SizeChoice } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import type { Needs } from './needs.ts'
import type { Machine } from './plan.ts'

/** The size with the vCPU and memory that were chosen; as proposed by the book where none were, or none can be. */
export function chosenSize(size: Size, chosen: Machine['chosen']): Size {
  if (!size.choice) return size
  const { vcpu, memoryGiB } = chosen ?? size
  return { ...size, vcpu, memoryGiB, name: `${size.name} ${vcpu}/${memoryGiB}` }
}

/** The least step that reaches a value, or the last one. */
function stepReaching(value: number, { least, most, step }: SizeChoice['vcpu']): number {
  const steps = Math.max(0, Math.ceil((value - least) / step))
  return Math.min(least + steps * step, least + Math.floor((most - least) / step) * step)
}

/**
 * The least vCPU and memory of a size of free choice that give what is needed, or what the other size has where
 * nothing is asked for. Undefined for a size that leaves nothing to choose.
 */
export function proposedChoice(
  { choice }: Size,
  needs: Pick<Needs, 'vcpu' | 'memoryGiB'>,
  other: Pick<Size, 'vcpu' | 'memoryGiB'> | undefined,
): Machine['chosen'] {
  if (!choice) return undefined
  return {
    vcpu: stepReaching(needs.vcpu || (other?.vcpu ?? 0), choice.vcpu),
    memoryGiB: gib(stepReaching(needs.memoryGiB || (other?.memoryGiB ?? 0), choice.memoryGiB)),
  }
}
