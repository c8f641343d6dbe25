import type { FieldOffers } from './fieldOffers.ts'

/** Offers that stand so near to each other in the window that they are one mark. */
export interface FieldCell {
  /** Column and row, counted from 0. */
  readonly column: number
  readonly row: number
  readonly count: number
  /** Position of the cheapest among the field's offers. */
  readonly cheapest: number
}

/** Edges of the cells, growing: one more than there are columns or rows. What is outside of them is not drawn. */
export interface FieldWindow {
  readonly costs: readonly number[]
  readonly measured: readonly number[]
}

/** All marks of a window, row by row. O(offers × log cells). */
export function fieldCells({ count, costs, measured }: FieldOffers, window: FieldWindow): FieldCell[] {
  const columns = window.costs.length - 1
  const rows = window.measured.length - 1
  const counts = new Uint32Array(Math.max(0, columns * rows))
  const cheapest = new Int32Array(counts.length).fill(-1)
  for (let at = 0; at < count; at += 1) {
    const cost = costs[at]!
    const column = cellOf(window.costs, cost)
    if (column < 0) continue
    const row = cellOf(window.measured, measured[at]!)
    if (row < 0) continue
    const cell = row * columns + column
    counts[cell]! += 1
    if (cheapest[cell]! < 0 || cost < costs[cheapest[cell]!]!) cheapest[cell] = at
  }
  const cells: FieldCell[] = []
  for (let cell = 0; cell < counts.length; cell += 1) {
    if (counts[cell] === 0) continue
    const column = cell % columns
    cells.push({ column, row: (cell - column) / columns, count: counts[cell]!, cheapest: cheapest[cell]! })
  }
  return cells
}

/** Between which edges a value is: the upper edge belongs to the next cell, but for the last. -1 where it is outside. */
function cellOf(edges: readonly number[], value: number): number {
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
