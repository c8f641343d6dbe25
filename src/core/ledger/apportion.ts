import { roundToUnits } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'

/**
 * Rounds the amounts of a table line by line, so that it adds up as it is shown: each line is the step between running
 * sums over the lines, rounded half away from zero, and what it is divided into adds up to it. With several columns each
 * piece is what is missing to the running sum of the table up to it, over all lines so far: so the columns come as near
 * to their own running sums as can be, and nothing that costs something is shown below zero. With one column it is the
 * rule of lines alone. Amounts are not below zero.
 */
export class Apportioned {
  /** Over the lines before, up to each column: what they are, and what of it is shown. */
  private readonly sums: Exact[]
  private readonly given: bigint[]

  constructor(
    columns: number,
    private readonly decimals: number,
  ) {
    this.sums = Array<Exact>(columns).fill(ZERO)
    this.given = Array<bigint>(columns).fill(0n)
  }

  /** The next line: the pieces of each column in order, answered in units of the last place. O(pieces + columns). */
  line(cells: readonly (readonly Exact[])[]): number[][] {
    const last = this.sums.length - 1
    const whole = cells.flat().reduce(add, ZERO)
    const step = roundToUnits(add(this.sums[last]!, whole), this.decimals) - this.given[last]!
    let left = cells.reduce((count, pieces) => count + pieces.length, 0)
    let along: Exact = ZERO
    let shown = 0n
    return cells.map((pieces, column) => {
      const [sum, given] = [this.sums[column]!, this.given[column]!]
      const own = pieces.map((amount) => {
        along = add(along, amount)
        left -= 1
        const missing = roundToUnits(add(sum, along), this.decimals) - given - shown
        const piece = left === 0 ? step - shown : within(missing, step - shown)
        shown += piece
        return Number(piece)
      })
      this.sums[column] = add(sum, along)
      this.given[column] = given + shown
      return own
    })
  }
}

/** Between nothing and `most`. */
const within = (value: bigint, most: bigint): bigint => (value < 0n ? 0n : value > most ? most : value)
