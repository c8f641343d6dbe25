import { type Fold } from '../../core/ledger/fold.ts'
import { foldLedger, type LedgerGroup } from '../../core/ledger/foldLedger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'

/** What stands in one row of the screen: a group's head, or a row of the ledger. */
type LedgerItem =
  | { readonly group: LedgerGroup; readonly row?: undefined }
  | { readonly group: LedgerGroup; readonly row: number }

export interface LedgerItems {
  readonly count: number
  readonly at: (index: number) => LedgerItem
}

/**
 * The rows of the screen in order: in time order there are no heads, else each group has one and its rows follow
 * where it is open. Nothing is built for a row until it is looked at. O(groups).
 */
export function ledgerItems(
  { ledger, days }: PlanLedger,
  rows: Uint32Array,
  fold: Fold,
  isOpen: (key: string) => boolean,
): LedgerItems {
  const groups = foldLedger(ledger, rows, fold, days)
  const heads = fold === 'time' ? 0 : 1
  const starts: number[] = []
  let count = 0
  for (const group of groups) {
    starts.push(count)
    count += heads + (heads === 0 || isOpen(group.key) ? group.rows.length : 0)
  }
  return {
    count,
    at: (index) => {
      let low = 0
      let high = groups.length - 1
      while (low < high) {
        const middle = Math.ceil((low + high) / 2)
        if (starts[middle]! <= index) low = middle
        else high = middle - 1
      }
      const group = groups[low]!
      const within = index - starts[low]! - heads
      return within < 0 ? { group } : { group, row: group.rows[within]! }
    },
  }
}
