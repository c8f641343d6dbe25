import type { Size } from '../catalogue/priceBook.ts'
import type { Machine } from './plan.ts'

/** The size with the vCPU and memory that were chosen; as proposed by the book where none were, or none can be. */
export function chosenSize(size: Size, chosen: Machine['chosen']): Size {
  if (!size.choice) return size
  const { vcpu, memoryGiB } = chosen ?? size
  return { ...size, vcpu, memoryGiB, name: `${size.name} ${vcpu}/${memoryGiB}` }
}
