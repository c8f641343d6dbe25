import type { PowerState } from '../off/powerState.ts'
import { instant, type Instant, type Span } from '../quantity/units.ts'

/**
 * A stretch of charged time in one power state. `ticks` is what it counts: true seconds (or a fixed multiple of them),
 * plus what rounding added at its end.
 */
export interface Piece extends Span {
  readonly state: PowerState
  readonly ticks: number
  /** The part of `ticks` that rounding added at the end. */
  readonly added: number
}

/**
 * Pieces in time order, apart from each other, and what they count together. Totals need no more than `ticks`, so the
 * list is made when it is first looked at: for a ledger, or where a threshold falls among the pieces.
 */
export interface Pieces {
  readonly ticks: number
  readonly list: readonly Piece[]
}

class LatePieces implements Pieces {
  private made: readonly Piece[] | undefined

  constructor(
    readonly ticks: number,
    private readonly make: () => readonly Piece[],
  ) {}

  get list(): readonly Piece[] {
    return (this.made ??= this.make())
  }
}

/** `make` must answer pieces that count `ticks` together. */
export const piecesLater = (ticks: number, make: () => readonly Piece[]): Pieces =>
  new LatePieces(ticks, make)

export const NO_PIECES: Pieces = { ticks: 0, list: [] }

/** The same stretches, each second counted `factor` times. */
export const scaled = (pieces: Pieces, factor: number): Pieces =>
  factor === 1
    ? pieces
    : piecesLater(pieces.ticks * factor, () =>
        pieces.list.map((piece) => ({ ...piece, ticks: piece.ticks * factor, added: piece.added * factor })),
      )

const ticksPerSecond = ({ from, to, ticks, added }: Piece): number =>
  to > from ? (ticks - added) / (to - from) : 0

/** The first `count` ticks, and the rest. A piece that is cut within a second has that second in its second part. */
export function cutAtTicks(pieces: Pieces, count: number): readonly [Pieces, Pieces] {
  if (count <= 0) return [NO_PIECES, pieces]
  if (count >= pieces.ticks) return [pieces, NO_PIECES]
  let cut: ReturnType<typeof cutList> | undefined
  const parts = (): ReturnType<typeof cutList> => (cut ??= cutList(pieces.list, count))
  return [piecesLater(count, () => parts().before), piecesLater(pieces.ticks - count, () => parts().after)]
}

function cutList(list: readonly Piece[], count: number): { before: Piece[]; after: Piece[] } {
  const before: Piece[] = []
  const after: Piece[] = []
  let left = count
  for (const piece of list) {
    if (left <= 0) after.push(piece)
    else if (piece.ticks <= left) before.push(piece)
    else {
      const trueTicks = piece.ticks - piece.added
      const inRounding = Math.max(0, left - trueTicks)
      const at = inRounding > 0 ? piece.to : instant(piece.from + Math.floor(left / ticksPerSecond(piece)))
      before.push({ ...piece, to: at, ticks: left, added: inRounding })
      after.push({ ...piece, from: at, ticks: piece.ticks - left, added: piece.added - inRounding })
    }
    left -= piece.ticks
  }
  return { before, after }
}

/** What a piece counts inside a span: neighbouring spans add up to the whole. What rounding added belongs to its end. */
export const ticksWithin = (piece: Piece, { from, to }: Span): number =>
  countedUntil(piece, to) - countedUntil(piece, from)

/** A threshold can cut a piece within a second; what does not fill its seconds evenly goes to its end. */
function countedUntil(piece: Piece, at: Instant): number {
  if (at >= piece.to) return piece.ticks
  return at <= piece.from ? 0 : Math.floor(ticksPerSecond(piece)) * (at - piece.from)
}
