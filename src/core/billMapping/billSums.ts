import { exactNumber, MOST_DECIMALS, parseDecimal, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { MAPPED_FIGURE, mappedCell } from './billCellBecame.ts'
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
  const costs = rows.map((row) => mappedCell(row, 'EffectiveCost'))
  const of = (fits: (use: RowUse) => boolean): string =>
    textOf(costs.filter((cost, i) => MAPPED_FIGURE.test(cost) && fits(uses[i]!)))
  const isOther = (use: RowUse): boolean => use === 'tax' || use === 'credit' || use === 'left-out'
  return {
    all: of(() => true),
    machines: of((use) => !isOther(use)),
    taxes: of((use) => use === 'tax'),
    credits: of((use) => use === 'credit'),
    leftOut: of((use) => use === 'left-out'),
    unread: costs.filter((cost) => !MAPPED_FIGURE.test(cost)).length,
  }
}

const textOf = (costs: readonly string[]): string => {
  const sum = costs.reduce(
    (total: Exact, cost) => add(total, parseDecimal(cost) ?? exactNumber(Number(cost))),
    ZERO,
  )
  return trimDecimal(toDecimal(sum, MOST_DECIMALS))
}
