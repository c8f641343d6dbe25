import { apart } from './apart.ts'

/** What rows of a bill have wrong with them; rows that cannot be counted are left out and say so. */
export const BILL_TROUBLES = [
  'short-row',
  'bad-time',
  'bad-cost',
  'bad-quantity',
  'no-currency',
  'unknown-category',
  'bad-tags',
  'bad-details',
  'unknown-unit',
  'over-a-day',
  'negative-usage',
] as const
export type BillTroubleCode = (typeof BILL_TROUBLES)[number]

/** Rows with these are in no sum. */
const LEAVES_OUT: ReadonlySet<BillTroubleCode> = new Set([
  'short-row',
  'bad-time',
  'bad-cost',
  'no-currency',
  'unknown-category',
])

export interface BillTrouble {
  readonly code: BillTroubleCode
  readonly rows: number
  readonly isLeftOut: boolean
  /** Where it is first: the file, and the row counted from its heading as 1. */
  readonly file: string
  readonly row: number
  /** What stands there, at most 60 letters. */
  readonly text: string
}

const LONGEST = 60

/** Troubles by kind, each with its first place. O(kinds). */
export class BillTroubles {
  private readonly found = new Map<
    BillTroubleCode,
    { -readonly [Key in keyof BillTrouble]: BillTrouble[Key] }
  >()

  add(code: BillTroubleCode, file: string, row: number, text: string): void {
    const known = this.found.get(code)
    if (known) {
      known.rows += 1
      return
    }
    const short = text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text
    this.found.set(code, {
      code,
      rows: 1,
      isLeftOut: LEAVES_OUT.has(code),
      file,
      row,
      text: apart(short),
    })
  }

  /** What a part of a bill has; where one kind is known already, its first place stays. */
  merge(other: BillTroubles): void {
    for (const [code, trouble] of other.found) {
      const known = this.found.get(code)
      if (known) known.rows += trouble.rows
      else this.found.set(code, { ...trouble })
    }
  }

  list(): BillTrouble[] {
    return BILL_TROUBLES.flatMap((code) => this.found.get(code) ?? [])
  }
}
