import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { Image, Size, Terms } from '../catalogue/priceBook.ts'
import { sizesByPrice } from '../catalogue/sizeRates.ts'
import { fittingSizes, type SizeShape } from './fittingSizes.ts'
import type { Held } from '../machine/held.ts'
import type { Machine } from '../machine/plan.ts'

/** Doublings of vCPU and memory between two sizes; another architecture counts as a quarter. */
export const apart = (a: SizeShape, b: SizeShape): number =>
  Math.abs(Math.log2(a.vcpu / b.vcpu)) +
  Math.abs(Math.log2(a.memoryGiB / b.memoryGiB)) +
  (a.architecture === b.architecture ? 0 : 0.25)

/** Sizes of a book that have all the machine needs, the nearest to a shape first; those equally near stand together. */
export class NearestSizes {
  private readonly groups: readonly (readonly Size[])[]

  /** O(sizes × log sizes). Without a shape, all sizes are equally near. */
  constructor(machine: Machine, image: Image, index: BookIndex, like: SizeShape | undefined, held?: Held) {
    const byDistance = new Map<number, Size[]>()
    for (const { size } of fittingSizes(machine, image, index, like, held)) {
      const distance = like ? apart(size, like) : 0
      const group = byDistance.get(distance)
      if (group) group.push(size)
      else byDistance.set(distance, [size])
    }
    this.groups = [...byDistance].sort(([a], [b]) => a - b).map(([, sizes]) => sizes)
  }

  /** Equally near ones from the cheapest; those without a price in the region on these terms are left out. */
  *in(region: RegionIndex, terms: Terms): Generator<Size> {
    for (const group of this.groups) yield* sizesByPrice(region, group, terms)
  }
}
