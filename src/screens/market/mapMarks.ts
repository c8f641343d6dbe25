import type { OfferRow } from '../../core/market/offerRow.ts'
import { toNumber } from '../../core/quantity/exact.ts'

/** What of the world is shown, in degrees east of 180° W and south of 90° N, as the outline has them. */
export interface MapBox {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

interface Point {
  readonly x: number
  readonly y: number
}

export const onMap = ({ latitude, longitude }: { latitude: number; longitude: number }): Point => ({
  x: longitude + 180,
  y: 90 - latitude,
})

/** Around all points with some room, no nearer than a continent, as wide for its height as asked for. */
export function boxAround(points: readonly Point[], ratio: number): MapBox {
  const xs = points.map(({ x }) => x)
  const ys = points.map(({ y }) => y)
  const [left, right] = points.length === 0 ? [0, 360] : [Math.min(...xs) - 12, Math.max(...xs) + 12]
  const [top, bottom] = points.length === 0 ? [6, 150] : [Math.min(...ys) - 8, Math.max(...ys) + 8]
  const width = Math.min(360, Math.max(right - left, (bottom - top) * ratio, 46))
  const height = width / ratio
  return {
    x: within((left + right) / 2 - width / 2, 0, 360 - width),
    y: within((top + bottom) / 2 - height / 2, 0, Math.max(0, 180 - height)),
    width,
    height,
  }
}

const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))

/** Places that stand too near to each other to be told apart, with the cheapest of them. */
export interface MapMark extends Point {
  readonly rows: readonly OfferRow[]
  /** Whether its cost can be written beside it. */
  readonly hasRoom: boolean
}

/**
 * Places by pixels of the drawing, the cheapest first; those nearer than `near` to a cheaper one stand with it, and a
 * cost is written where no cheaper one’s is, nor anything else that has taken the room. O(places²).
 */
export function mapMarks(
  rows: readonly OfferRow[],
  toPixels: (point: Point) => Point,
  near: number,
  label: { readonly width: number; readonly height: number },
  taken: readonly Point[] = [],
): MapMark[] {
  const marks: { x: number; y: number; rows: OfferRow[]; hasRoom: boolean }[] = []
  const placed = rows.filter(({ latitude, longitude }) => latitude !== undefined && longitude !== undefined)
  const inOrder = placed.toSorted((a, b) => toNumber(a.total) - toNumber(b.total))
  for (const row of inOrder) {
    const { x, y } = toPixels(onMap({ latitude: row.latitude!, longitude: row.longitude! }))
    const known = marks.find((mark) => Math.hypot(mark.x - x, mark.y - y) < near)
    if (known) {
      known.rows.push(row)
      continue
    }
    const hasRoom = [...marks, ...taken].every(
      (other) => Math.abs(other.x - x) > label.width || Math.abs(other.y - y) > label.height,
    )
    marks.push({ x, y, rows: [row], hasRoom })
  }
  return marks
}

/** A ring as a path that is broken where it goes over the edge of the map. */
export function ringPath(points: readonly Point[]): string {
  let path = ''
  for (const [at, { x, y }] of [...points, ...points.slice(0, 1)].entries()) {
    const before = points[at - 1]
    const jumps = before !== undefined && Math.abs(before.x - x) > 180
    path += `${at === 0 || jumps ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`
  }
  return path
}
