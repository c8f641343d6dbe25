import type { WeekPlan } from '../calendar/weekPlan.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { carryOver } from './carryOver.ts'
import type { Machine } from '../machine/plan.ts'

/** Names that no book has: the nearest that the book sells takes their place. */
const ANY = ''

/**
 * A machine to start from: in the book's first place, the first image, the cheapest size that has two vCPU and 4 GiB
 * and can run it, and a disk kind that the size carries. Undefined where the book sells nothing of the sort there.
 */
export function newMachine(book: PriceBook, name: string, week: WeekPlan): Machine | undefined {
  const wanted: Machine = {
    name,
    purpose: '',
    needs: { vcpu: 2, memoryGiB: gib(4), iops: 0 },
    provider: book.provider.id,
    region: ANY,
    zone: ANY,
    size: ANY,
    image: ANY,
    terms: ANY,
    systemDisk: { kind: ANY, roomGiB: gib(64) },
    dataDisks: [],
    address: 'none',
    week: week.id,
    off: 'deallocated',
  }
  return carryOver(wanted, { weeks: [week] }, indexBook(book))?.machine
}
