import { toNumber } from '../quantity/exact.ts'
import type { Plate } from './plate.ts'

/**
 * The one cost axis that all plates of a machine share. The present cost stands on the line; differences are
 * compressed, so that cents and hundreds are both readable.
 */
export interface CostAxis {
  readonly width: number
  /** Where the present choices stand. */
  readonly line: number
  /** Pixels from the left for a difference to the present month. */
  readonly x: (difference: number) => number
  /** The difference that stands at so many pixels from the left. */
  readonly at: (x: number) => number
  readonly ticks: readonly { readonly difference: number; readonly x: number }[]
}

const LINE_SHARE = 0.46
/** Room for half of the widest slot at both ends. */
const EDGE = 22
const TICK_GAP = 58
const TICKS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1_000, 2_000, 5_000, 10_000, 20_000, 50_000]

/** How far the axis reaches to both sides of the present cost. */
export interface Reach {
  readonly cheaper: number
  readonly dearer: number
}

/** Steps within a power of ten at which a reach is rounded up, so that the scale stays as it is from notch to notch. */
const STEPS = [1, 1.5, 2, 3, 5, 7, 10]

/** To a round figure. */
export function roundedUp(reach: number): number {
  if (reach <= 0) return 0
  const power = 10 ** Math.floor(Math.log10(reach))
  return STEPS.find((step) => step * power >= reach)! * power
}

export function reachOf(plates: readonly Plate[]): Reach {
  let cheapest = 0
  let dearest = 0
  for (const { notches } of plates) {
    // From the cheapest to the dearest: the ends of each plate are enough.
    for (const notch of [notches[0], notches.findLast(({ difference }) => difference)]) {
      if (!notch?.difference) continue
      const value = toNumber(notch.difference)
      cheapest = Math.min(cheapest, value)
      dearest = Math.max(dearest, value)
    }
  }
  return { cheaper: roundedUp(-cheapest), dearer: roundedUp(dearest) }
}

export function costAxis({ cheaper, dearer }: Reach, width: number): CostAxis {
  const line = Math.round(width * LINE_SHARE)
  // Below one unit the axis is nearly even, above it each further inch is a multiple of the one before.
  const unit = Math.max(0.25, cheaper / 20, dearer / 400)
  const compress = (value: number): number => Math.log1p(value / unit)
  const left = (line - EDGE) / Math.max(compress(cheaper), 1e-9)
  const right = (width - EDGE - line) / Math.max(compress(dearer), 1e-9)
  const x = (difference: number): number =>
    difference < 0 ? line - compress(-difference) * left : line + compress(difference) * right
  const expand = (compressed: number): number => Math.expm1(compressed) * unit
  const at = (px: number): number => (px < line ? -expand((line - px) / left) : expand((px - line) / right))
  return { width, line, x, at, ticks: [...ticksOf(-1, cheaper, x, line), ...ticksOf(1, dearer, x, line)] }
}

function ticksOf(
  side: -1 | 1,
  reach: number,
  x: (difference: number) => number,
  line: number,
): { difference: number; x: number }[] {
  const ticks: { difference: number; x: number }[] = []
  let last = line + side * 34
  for (const value of TICKS) {
    if (value > reach) break
    const at = x(side * value)
    if (Math.abs(at - last) >= TICK_GAP && Math.sign(at - last) === side) {
      ticks.push({ difference: side * value, x: at })
      last = at
    }
  }
  return ticks
}
