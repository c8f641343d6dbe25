import type { CellAt, LeftOut } from './listEntry.ts'

/** Two different answers to one question: which rows gave them. */
export interface Contradiction {
  readonly about: 'price' | 'vcpu' | 'memory'
  readonly of: string
  readonly place?: string
  /** A price on demand with the system that costs nothing more. */
  readonly isPlain?: boolean
  readonly first: CellAt & { readonly value: string }
  readonly second: CellAt & { readonly value: string }
}

export interface LeftOutCount {
  readonly leftOut: LeftOut
  readonly rows: number
  /** The first of them. */
  readonly examples: readonly number[]
  readonly table?: string
}

/** Faults of one sort are counted, and so many of them shown. */
export const MOST_SHOWN = 50

/** What of a list gave nothing, or said two things: each with its rows. */
export class ListTroubles {
  readonly contradictions: Contradiction[] = []
  private readonly left = new Map<string, { leftOut: LeftOut; rows: number; examples: number[] }>()

  leftOut(): LeftOutCount[] {
    return [...this.left.values()]
  }

  /** A row that gave nothing, or of which one price did not. */
  count(row: number, leftOut: LeftOut, table: string | undefined): void {
    const what = leftOut.why === 'unreadable' ? `${leftOut.field} ${leftOut.problem}` : leftOut.why
    const key = `${table ?? ''} ${what}`
    const known = this.left.get(key)
    if (!known)
      this.left.set(key, { leftOut, rows: 1, examples: [row], ...(table !== undefined && { table }) })
    else {
      known.rows += 1
      if (known.examples.length < MOST_SHOWN) known.examples.push(row)
    }
  }

  contradict(
    about: Contradiction['about'],
    of: string,
    place: string | undefined,
    [first, one]: readonly [CellAt, string],
    [second, other]: readonly [CellAt, string],
  ): void {
    if (this.contradictions.length >= MOST_SHOWN) return
    this.contradictions.push({
      about,
      of,
      ...(place !== undefined && { place }),
      first: { ...first, value: one },
      second: { ...second, value: other },
    })
  }
}
