import { leastDrawn, measuredBy } from './fieldMeasure.ts'
import type { FieldLane, FieldOffers } from './fieldOffers.ts'
import { laneMeasure, measureOfSizes } from './laneMeasure.ts'

/** Offers that stand so near to each other in the window that they are one mark. */
export interface FieldCell {
  /** Column and row, counted from 0. */
  readonly column: number
  readonly row: number
  readonly count: number
  /** Its cheapest offer: the lane, and the place among the lane's sizes. */
  readonly lane: FieldLane
  readonly at: number
}

/** Edges of the cells, growing: one more than there are columns or rows. What is outside of them is not drawn. */
export interface FieldWindow {
  readonly costs: readonly number[]
  readonly measured: readonly number[]
}

type FieldColumns = Pick<FieldOffers, 'questions' | 'measure' | 'lanes' | 'sizes' | 'costs'>

/** All marks of a window, row by row. O(offers). */
export const fieldCells = (field: FieldColumns, window: FieldWindow): FieldCell[] =>
  cellsByStep(field, window, 1)[0]!

/**
 * The marks of a window at each of several steps of a need, row by row: those of the offers whose sizes reach that step.
 * `reached` says of a seller's fitting sizes which step is the last that they reach, -1 for none. O(offers + steps × cells).
 */
export function cellsByStep(
  field: FieldColumns,
  window: FieldWindow,
  steps: number,
  reached?: readonly Int32Array[],
): FieldCell[][] {
  const { questions, lanes, sizes, costs } = field
  const columns = window.costs.length - 1
  const rows = window.measured.length - 1
  const columnOf = quickCells(window.costs)
  const perStep = Math.max(0, columns * rows)
  const counts = new Uint32Array(perStep * steps)
  const cheapest = new Float64Array(counts.length).fill(Infinity)
  const slots = new Int32Array(counts.length)
  const laneAt = new Int32Array(counts.length)
  const floor = leastDrawn(field.measure)
  const rowOf = (measured: number): number => cellOf(window.measured, Math.max(measured, floor))
  const isBySize = measuredBy(field.measure) === 'size'
  const rowsOfSizes = questions.map((_, seller) =>
    isBySize ? measureOfSizes(field, seller)?.map(rowOf) : undefined,
  )
  for (const [position, lane] of lanes.entries()) {
    const { seller, start } = lane
    const ofSizes = rowsOfSizes[seller]
    const measure = ofSizes ? undefined : laneMeasure(field, lane)
    const values = measure?.of === 'each' ? measure.values : undefined
    const ofLane = measure?.of === 'all' ? rowOf(measure.value) : 0
    if (ofLane < 0) continue
    const { length } = sizes[seller]!
    const steps = reached?.[seller]
    for (let at = 0; at < length; at += 1) {
      const step = steps ? steps[at]! : 0
      if (step < 0) continue
      const cost = costs[start + at]!
      if (!(cost < Infinity)) continue
      const column = columnOf(cost)
      if (column < 0) continue
      const row = ofSizes ? ofSizes[at]! : values ? rowOf(values(at)) : ofLane
      if (row < 0) continue
      const cell = step * perStep + row * columns + column
      counts[cell]! += 1
      if (cost < cheapest[cell]!) {
        cheapest[cell] = cost
        slots[cell] = at
        laneAt[cell] = position
      }
    }
  }
  // What reaches a step reaches all before it.
  for (let cell = counts.length - perStep - 1; cell >= 0; cell -= 1) {
    const next = cell + perStep
    counts[cell]! += counts[next]!
    if (cheapest[next]! >= cheapest[cell]!) continue
    cheapest[cell] = cheapest[next]!
    slots[cell] = slots[next]!
    laneAt[cell] = laneAt[next]!
  }
  return Array.from({ length: steps }, (_, step) => {
    const cells: FieldCell[] = []
    for (let at = 0; at < perStep; at += 1) {
      const cell = step * perStep + at
      if (counts[cell] === 0) continue
      const column = at % columns
      const row = (at - column) / columns
      cells.push({ column, row, count: counts[cell]!, lane: lanes[laneAt[cell]!]!, at: slots[cell]! })
    }
    return cells
  })
}

/** As `cellOf`, by a table of equal steps and a step or two from there: millions are asked. */
function quickCells(edges: readonly number[]): (value: number) => number {
  const all = Float64Array.from(edges)
  const last = all.length - 1
  const [from, to] = [all[0]!, all[last]!]
  const perStep = to > from ? STEPS / (to - from) : 0
  const table = Int32Array.from({ length: STEPS + 1 }, (_, step) =>
    perStep === 0 ? 0 : Math.max(0, cellOf(edges, from + step / perStep)),
  )
  return (value) => {
    if (!(value >= from && value <= to)) return -1
    let cell = table[Math.floor((value - from) * perStep)]!
    // A step can begin before an edge that it holds, and rounding can put a value into the step after its own.
    while (cell > 0 && value < all[cell]!) cell -= 1
    while (cell < last - 1 && value >= all[cell + 1]!) cell += 1
    return cell
  }
}

const STEPS = 8_192

/** Between which edges a value is: the upper edge belongs to the next cell, but for the last. -1 where it is outside. */
function cellOf(edges: ArrayLike<number>, value: number): number {
  const last = edges.length - 1
  if (!(value >= edges[0]! && value <= edges[last]!)) return -1
  let low = 0
  let high = last
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (edges[middle]! <= value) low = middle
    else high = middle
  }
  return low
}
