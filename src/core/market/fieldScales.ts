import { costAxis, roundedUp, type CostAxis, type Reach } from '../notches/costAxis.ts'
import { isLessBetter, leastDrawn, measuredBy, type FieldMeasure } from './fieldMeasure.ts'
import type { FieldOffers } from './fieldOffers.ts'
import { laneMeasure, measureOfSizes } from './laneMeasure.ts'
import type { FieldPart } from './fieldPart.ts'

/** Where costs and what they are set against stand in the field, in shares of its width and height. */
export interface FieldScales {
  readonly measure: FieldMeasure
  /** The gauge's axis, a thousand wide: present costs stand on its line. */
  readonly axis: CostAxis
  readonly reach: Reach
  readonly present: number
  /** Of the measure: the least and the greatest; what is better stands lower. */
  readonly least: number
  readonly most: number
}

const WIDTH = 1_000

/** Reaches as far as anything in the field does. O(lanes + sizes); O(offers) for a measure that goes by all of an offer. */
export function fieldScales(field: FieldOffers, present: number, own: number | undefined): FieldScales {
  const { measure, lanes, questions, sizes, costs } = field
  const cheapest = Math.min(present, field.cheapest)
  const dearest = Math.max(present, field.dearest)
  let least = Infinity
  let most = -Infinity
  const note = (value: number): void => {
    if (value < least) least = value
    if (value > most) most = value
  }
  if (own !== undefined) note(own)
  const by = measuredBy(measure)
  if (by === 'lane') for (const { measured } of lanes) note(measured)
  else if (by === 'size') for (const seller of questions.keys()) measureOfSizes(field, seller)?.forEach(note)
  else {
    for (const lane of lanes) {
      const measured = laneMeasure(field, lane)
      const { length } = sizes[lane.seller]!
      for (let at = 0; at < length; at += 1)
        if (measured.of === 'each' && costs[lane.start + at]! < Infinity) note(measured.values(at))
    }
  }
  if (!(least <= most)) [least, most] = [1, 1]
  const floor = leastDrawn(measure)
  least = Math.max(least, floor)
  most = Math.max(most, floor)
  // One value alone stands in the middle of something.
  if (least === most) [least, most] = [least / 2, most * 2]
  const reach = { cheaper: roundedUp(present - cheapest), dearer: roundedUp(dearest - present) }
  return openScales({ measure, reach, present, least, most })
}

/** Scales as they were before they were sent somewhere as plain data. */
export const openScales = (scales: Omit<FieldScales, 'axis'>): FieldScales => ({
  ...scales,
  axis: costAxis(scales.reach, WIDTH),
})

const shareOfCost = ({ axis, present }: FieldScales, cost: number): number => axis.x(cost - present) / WIDTH

const costAtShare = ({ axis, present }: FieldScales, share: number): number =>
  present + axis.at(share * WIDTH)

/** Room above the greatest and below the least. */
const MARGIN = 0.06

/** From the top: far places, and sizes that have little, stand above. */
function shareOfMeasure({ measure, least, most }: FieldScales, value: number): number {
  const [low, high] = [Math.log(least), Math.log(most)]
  const inside = (Math.log(Math.max(value, leastDrawn(measure))) - low) / (high - low)
  const down = isLessBetter(measure) ? 1 - inside : inside
  return MARGIN + down * (1 - 2 * MARGIN)
}

function measureAtShare({ measure, least, most }: FieldScales, share: number): number {
  const [low, high] = [Math.log(least), Math.log(most)]
  const down = (share - MARGIN) / (1 - 2 * MARGIN)
  const inside = isLessBetter(measure) ? 1 - down : down
  return Math.exp(low + inside * (high - low))
}

/** Edges of so many cells of equal width and height in a part of the field, growing as `fieldCells` asks for them. */
export function cellEdges(
  scales: FieldScales,
  { left, right, top, bottom }: FieldPart,
  columns: number,
  rows: number,
): { readonly costs: number[]; readonly measured: number[] } {
  const between = (from: number, to: number, count: number): number[] =>
    Array.from({ length: count + 1 }, (_, at) => from + ((to - from) * at) / count)
  const costs = between(left, right, columns).map((share) => costAtShare(scales, share))
  const measured = between(top, bottom, rows).map((share) => measureAtShare(scales, share))
  return { costs, measured: isLessBetter(scales.measure) ? measured.reverse() : measured }
}

/** Where a cost and a measure stand in a part of the field, in shares of its width and height; outside of 0 to 1 where it is not in it. */
export const placeInPart = (
  scales: FieldScales,
  { left, right, top, bottom }: FieldPart,
): { readonly x: (cost: number) => number; readonly y: (measured: number) => number } => ({
  x: (cost) => (shareOfCost(scales, cost) - left) / (right - left),
  y: (measured) => (shareOfMeasure(scales, measured) - top) / (bottom - top),
})
