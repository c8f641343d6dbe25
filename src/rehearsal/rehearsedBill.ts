import type { FocusRow } from '../files/focus/focusColumns.ts'
import { practiceRows, type BillGrain } from '../practice/practiceBill.ts'
import type { Rehearsal } from './rehearse.ts'

/** The bill of all providers, until `now` where the month is not over. */
export const rehearsedRows = ({ providers }: Rehearsal, grain: BillGrain, now?: number): FocusRow[] =>
  providers.flatMap(({ book, month, provider }) =>
    practiceRows(provider.machines, provider.usage(month, now), book, month, grain),
  )
