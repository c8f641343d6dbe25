import { fieldCells } from './fieldCells.ts'
import { offerIn, type FieldOffers } from './fieldOffers.ts'
import { cellEdges, type FieldPart, type FieldScales } from './fieldScales.ts'

/** A mark of the field: offers that stand too near to each other to be told apart, by their share of the part shown. */
export interface FieldMark {
  readonly x: number
  readonly y: number
  readonly count: number
  /** Whether its cheapest is farther away than the machine's needs allow. */
  readonly isBeyond: boolean
  /** Its cheapest offer, by names of its book; the cost is for putting in order, and no figure. */
  readonly cheapest: {
    readonly cost: number
    readonly measured: number
    readonly provider: string
    readonly place: string
    readonly size: string
    readonly terms: string
  }
}

interface MarkOptions {
  readonly part: FieldPart
  readonly columns: number
  readonly rows: number
}

/** O(offers × log cells). */
export function fieldMarks(
  field: FieldOffers,
  scales: FieldScales,
  { part, columns, rows }: MarkOptions,
  isIn: (at: number) => boolean,
): FieldMark[] {
  const edges = cellEdges(scales, part, columns, rows)
  return fieldCells(field, edges).map(({ column, row, count, cheapest: at }) => {
    const { seller, region, terms, size } = offerIn(field, at)
    const { columns: own } = field.questions[seller]!.basis
    const down = scales.measure === 'round-trip' ? rows - 1 - row : row
    return {
      x: (column + 0.5) / columns,
      y: (down + 0.5) / rows,
      count,
      isBeyond: !isIn(at),
      cheapest: {
        cost: field.costs[at]!,
        measured: field.measured[at]!,
        provider: own.index.book.provider.name,
        place: own.regions[region]!.region.name,
        size: own.sizes[size]!.name,
        terms: own.terms[terms]!.name,
      },
    }
  })
}
