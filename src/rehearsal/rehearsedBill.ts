import { practiceBill, type BillGrain } from '../practice/practiceBill.ts'
import type { Rehearsal } from './rehearse.ts'

export interface RehearsedBill {
  readonly name: string
  readonly csv: string
}

/** A bill of each provider, until `now` where the month is not over. */
export const rehearsedBills = (
  { providers }: Rehearsal,
  grain: BillGrain,
  now?: number,
): RehearsedBill[] =>
  providers.map(({ book, month, provider }) => ({
    name: `${book.provider.id}.csv`,
    csv: practiceBill(provider.machines, provider.usage(month, now), book, month, grain),
  }))
