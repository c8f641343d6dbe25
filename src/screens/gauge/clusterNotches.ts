import { isZero, sign, toNumber } from '../../core/quantity/exact.ts'
import type { CostAxis } from '../../core/notches/costAxis.ts'
import type { Notch, Plate } from '../../core/notches/plate.ts'

/** Choices that stand at one place of a plate: one, or several too close to tell apart. */
export interface Cluster {
  readonly key: string
  /** Pixels from the left, its middle. */
  readonly x: number
  readonly notches: readonly Notch[]
  readonly isPresent: boolean
  /** True where at least one of its choices fits. */
  readonly open: boolean
}

/**
 * Lays a plate's choices on the axis so that no two overlap. The present choice, and all that cost the same, stand on
 * the line. On each side, going outward, a choice stands at its true place or at `gap` from its neighbour, whichever
 * is further out; where that would leave the plate, or a choice's true place is passed by, it joins its neighbour.
 * O(notches).
 */
export function clusterNotches(plate: Plate, axis: CostAxis, gap: number): Cluster[] {
  const priced = plate.notches.filter(({ difference }) => difference !== undefined)
  const same = priced.filter(({ difference, isPresent }) => isPresent || isZero(difference!))
  const cheaper = priced.filter(({ difference, isPresent }) => !isPresent && sign(difference!) < 0).reverse()
  const dearer = priced.filter(({ difference, isPresent }) => !isPresent && sign(difference!) > 0)
  return [
    ...layOut(cheaper, axis, gap, -1).reverse(),
    ...(same.length > 0 ? [cluster(same, axis.line)] : []),
    ...layOut(dearer, axis, gap, 1),
  ]
}

function layOut(outward: readonly Notch[], axis: CostAxis, gap: number, side: -1 | 1): Cluster[] {
  const edge = side < 0 ? gap / 2 : axis.width - gap / 2
  const groups: { readonly x: number; readonly notches: Notch[] }[] = []
  let last = axis.line
  for (const notch of outward) {
    const trueX = axis.x(toNumber(notch.difference!))
    const previous = groups.at(-1)
    const free = last + side * gap
    const x = side < 0 ? Math.min(trueX, free) : Math.max(trueX, free)
    const passedBy = previous !== undefined && Math.abs(trueX - last) < gap && (trueX - free) * side < 0
    const outside = (x - edge) * side > 0
    if (previous && (passedBy || outside)) previous.notches.push(notch)
    else {
      groups.push({ x, notches: [notch] })
      last = x
    }
  }
  return groups.map(({ x, notches }) => cluster(notches, x))
}

const cluster = (notches: readonly Notch[], x: number): Cluster => ({
  key: (notches.find(({ isPresent }) => isPresent) ?? notches[0]!).key,
  x,
  notches,
  isPresent: notches.some(({ isPresent }) => isPresent),
  open: notches.some(({ reasons }) => reasons.length === 0),
})
