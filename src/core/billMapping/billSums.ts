import { exactNumber, MOST_DECIMALS, parseDecimal, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { mappedCell } from './billCellBecame.ts'
import type { RowUse } from './billMapping.ts'

/** What the money column of some rows adds up to, exactly, by what its rows are; cells that are no figure are counted. */
export interface BillSums {
  readonly all: string
  readonly machines: string
  readonly taxes: string
  readonly credits: string
  readonly leftOut: string
  readonly unread: number
}

/** O(rows). `uses` has the use of each row. */
export function billSums(rows: readonly (readonly string[])[], uses: readonly RowUse[]): BillSums {
  const costs = rows.map((row) => amountOf(mappedCell(row, 'EffectiveCost')))
  const of = (fits: (use: RowUse) => boolean): string => {
    const sum = costs.reduce(
      (total: Exact, cost, i) => (cost && fits(uses[i]!) ? add(total, cost) : total),
      ZERO,
    )
    return trimDecimal(toDecimal(sum, MOST_DECIMALS))
  }
  const isOther = (use: RowUse): boolean => use === 'tax' || use === 'credit' || use === 'left-out'
  return {
    all: of(() => true),
    machines: of((use) => !isOther(use)),
    taxes: of((use) => use === 'tax'),
    credits: of((use) => use === 'credit'),
    leftOut: of((use) => use === 'left-out'),
    unread: costs.filter((cost) => cost === undefined).length,
  }
}

/** As engines write small ones: up to 15 digits, which numbers hold. */
const WITH_EXPONENT = /^-?\d{0,14}\.?\d{1,15}e[+-]?\d{1,2}$/i

const amountOf = (text: string): Exact | undefined =>
  parseDecimal(text) ?? (WITH_EXPONENT.test(text) ? exactNumber(Number(text)) : undefined)
