import { fieldCells, type FieldCell } from './fieldCells.ts'
import { isLessBetter } from './fieldMeasure.ts'
import { offerIn, type FieldOffers } from './fieldOffers.ts'
import type { FieldPart } from './fieldPart.ts'
import { cellEdges, placeInPart, type FieldScales } from './fieldScales.ts'
import { laneMeasure } from './laneMeasure.ts'
import type { OfferName } from './offerName.ts'
import type { OfferAt } from './scanOffers.ts'

/** Offers that stand too near to each other to be told apart, by their share of the part shown. */
export interface DrawnMark {
  readonly x: number
  readonly y: number
  readonly count: number
  /** Whether its cheapest is farther away than the machine's needs allow. */
  readonly isBeyond: boolean
}

/** A mark of the field, with what can be said of it. */
export interface FieldMark extends DrawnMark {
  readonly cheapest: OfferName
  /** `Heron 4/16, Porto, on demand`, by the names of its book. */
  readonly name: string
  /** What its cheapest costs: for words about the drawing, and no figure. */
  readonly cost: number
}

/** What of the field is drawn, and how many marks stand beside and above each other in it at the most. */
export interface MarkOptions {
  readonly part: FieldPart
  readonly columns: number
  readonly rows: number
}

/** Of the height of a row, the least that two marks stand apart. */
const APART = 0.75

/**
 * Marks stand in columns, at the very measure of their cheapest where the next mark of the column is far enough away, else
 * in the middle of their cell. O(offers × log cells).
 */
export function fieldMarks(field: FieldOffers, scales: FieldScales, options: MarkOptions): FieldMark[] {
  const { part, columns, rows } = options
  const cells = fieldCells(field, cellEdges(scales, part, columns, rows))
  return drawnMarks(field, scales, options, cells).map((mark, i): FieldMark => {
    const { lane, at } = cells[i]!
    const cost = field.costs[lane.start + at]!
    return { ...mark, cost, ...namesOf(offerIn(field, lane, at), field) }
  })
}

/** Where the marks of cells that are known stand, in the order of the cells. O(cells). */
export function drawnMarks(
  field: FieldOffers,
  scales: FieldScales,
  { part, columns, rows }: MarkOptions,
  cells: readonly FieldCell[],
): DrawnMark[] {
  const place = placeInPart(scales, part)
  const above = new Map<number, { mark: PlacedMark; middle: number }>()
  return cells.map(({ column, row, count, lane, at }) => {
    const middle = ((isLessBetter(scales.measure) ? rows - 1 - row : row) + 0.5) / rows
    const measured = laneMeasure(field, lane)
    const mark: PlacedMark = {
      x: (column + 0.5) / columns,
      y: place.y(measured.of === 'all' ? measured.value : measured.values(at)),
      count,
      isBeyond: !lane.isInReach,
    }
    // Cells come row by row, so the last mark of the column is the next one to it.
    const before = above.get(column)
    if (before && Math.abs(before.mark.y - mark.y) < APART / rows) {
      mark.y = middle
      before.mark.y = before.middle
    }
    above.set(column, { mark, middle })
    return mark
  })
}

type PlacedMark = { -readonly [Field in keyof DrawnMark]: DrawnMark[Field] }

function namesOf(
  { seller, region: regionAt, terms: termsAt, size: sizeAt }: OfferAt,
  field: FieldOffers,
): Pick<FieldMark, 'cheapest' | 'name'> {
  const { columns } = field.questions[seller]!.basis
  const { region } = columns.regions[regionAt]!
  const [terms, size] = [columns.terms[termsAt]!, columns.sizes[sizeAt]!]
  const { provider } = columns.index.book
  return {
    cheapest: { provider: provider.id, region: region.id, size: size.id, terms: terms.id },
    name: `${provider.name} ${size.name}, ${region.name}, ${terms.name}`,
  }
}
