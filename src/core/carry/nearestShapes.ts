import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { Image, Size, Terms } from '../catalogue/priceBook.ts'
import { roughHour, sizeRates } from '../catalogue/sizeRates.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import { gib, type GiB } from '../quantity/units.ts'
import { fittingSizes, type SizeShape } from './fittingSizes.ts'
import { apart } from './nearestSizes.ts'
import type { Machine } from '../machine/plan.ts'

interface PricedSize {
  readonly size: Size
  readonly hour: Exact
}

/** Sizes that have the same vCPU, memory and architecture: whatever is asked for, they are equally near. */
interface Shape extends SizeShape {
  /** The cheapest first. */
  readonly sizes: PricedSize[]
}

interface Near {
  readonly distance: number
  readonly sizes: readonly PricedSize[]
}

const LIKE = 'x86-64'
const COLUMNS = 5
const ROUGH = 1e-9

/**
 * Answers many questions for the sizes nearest to a shape, all in one region, on the same terms and with the same image:
 * the sizes and order of {@link NearestSizes}, but what does not depend on the question is worked out once.
 */
export class NearestShapes {
  private readonly shapes: readonly Shape[]
  /** Of each shape: vCPU, memory, both as powers of two, and how far its architecture is. Side by side, for the loop. */
  private readonly columns: Float64Array
  private readonly choices: BookIndex
  private readonly wanted: Machine

  /** O(sizes × log sizes). What the machine needs besides vCPU and memory stands. */
  constructor(
    machine: Machine,
    private readonly image: Image,
    index: BookIndex,
    private readonly region: RegionIndex,
    private readonly terms: Terms,
  ) {
    const { chosen, ...wanted } = machine
    this.wanted = wanted
    this.choices = withSizes(
      index,
      index.book.sizes.filter(({ choice }) => choice),
    )
    const fixed = withSizes(
      index,
      index.book.sizes.filter(({ choice }) => !choice),
    )
    const shapes = new Map<string, Shape>()
    for (const { size } of fittingSizes(this.needing(0, gib(0)), image, fixed, undefined)) {
      const priced = this.priced(size)
      const key = `${size.vcpu} ${size.memoryGiB} ${size.architecture}`
      const shape = shapes.get(key)
      if (shape) shape.sizes.push(...priced)
      else if (priced.length > 0) {
        const { vcpu, memoryGiB, architecture } = size
        shapes.set(key, { vcpu, memoryGiB, ...(architecture && { architecture }), sizes: priced })
      }
    }
    for (const { sizes } of shapes.values()) sizes.sort(byHour)
    this.shapes = [...shapes.values()]
    this.columns = Float64Array.from(
      this.shapes.flatMap((shape) => [
        shape.vcpu,
        shape.memoryGiB,
        Math.log2(shape.vcpu),
        Math.log2(shape.memoryGiB),
        apart(shape, { ...shape, architecture: LIKE }),
      ]),
    )
  }

  /** At most `most` sizes with at least so much, the nearest first, equally near ones by price. O(shapes). */
  nearest(vcpu: number, memoryGiB: GiB, most: number): Size[] {
    const like: SizeShape = { vcpu, memoryGiB, architecture: LIKE }
    const least = Math.ceil(vcpu)
    const near: Near[] = []
    let furthest = Infinity
    const consider = (distance: number, sizes: readonly PricedSize[]): void => {
      if (sizes.length === 0 || distance > furthest) return
      const at = near.findIndex((each) => each.distance > distance)
      near.splice(at < 0 ? near.length : at, 0, { distance, sizes })
      furthest = near[most - 1]?.distance ?? Infinity
      while (near.length > most && near.at(-1)!.distance > furthest) near.pop()
    }
    const { columns } = this
    const [log2Vcpu, log2Memory] = [Math.log2(vcpu), Math.log2(memoryGiB)]
    for (let i = 0, at = 0; at < columns.length; i += 1, at += COLUMNS) {
      if (columns[at]! < least || columns[at + 1]! < memoryGiB) continue
      const rough =
        Math.abs(columns[at + 2]! - log2Vcpu) + Math.abs(columns[at + 3]! - log2Memory) + columns[at + 4]!
      // Differences of logarithms are a little off: whether two are equally near is for the exact distance to say.
      if (rough > furthest + ROUGH) continue
      const shape = this.shapes[i]!
      consider(apart(shape, like), shape.sizes)
    }
    for (const { size } of fittingSizes(this.needing(least, memoryGiB), this.image, this.choices, like)) {
      consider(apart(size, like), this.priced(size))
    }
    return near
      .flatMap(({ distance, sizes }) => sizes.slice(0, most).map((each) => ({ ...each, distance })))
      .sort((a, b) => a.distance - b.distance || byHour(a, b))
      .slice(0, most)
      .map(({ size }) => size)
  }

  private needing(vcpu: number, memoryGiB: GiB): Machine {
    return { ...this.wanted, needs: { ...this.wanted.needs, vcpu, memoryGiB } }
  }

  private priced(size: Size): PricedSize[] {
    const rates = sizeRates(this.region, size.id, this.terms)
    return rates ? [{ size, hour: roughHour(rates, size) }] : []
  }
}

const byHour = (a: PricedSize, b: PricedSize): number => compare(a.hour, b.hour)

const withSizes = (index: BookIndex, sizes: readonly Size[]): BookIndex => ({
  ...index,
  book: { ...index.book, sizes },
})
