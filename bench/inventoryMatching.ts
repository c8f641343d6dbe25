import type { YearMonth } from '../src/core/calendar/yearMonth.ts'
import type { WeekPlan } from '../src/core/calendar/weekPlan.ts'
import { indexBook } from '../src/core/catalogue/bookIndex.ts'
import type { PriceBook } from '../src/core/catalogue/priceBook.ts'
import { finish } from '../src/core/finish.ts'
import { NearestSizes } from '../src/core/carry/nearestSizes.ts'
import { newMachine } from '../src/core/carry/newMachine.ts'
import { gib } from '../src/core/quantity/units.ts'
import type { InventoryInputs } from '../src/files/inventory/inventory.ts'
import { proposedMapping } from '../src/files/inventory/inventoryFields.ts'
import { readInventory } from '../src/files/inventory/readInventory.ts'

const COUNT = 5_000
const COLUMNS = ['name', 'size', 'vcpu', 'memory']
const MARCH = '2027-03' as YearMonth

/** The book with 5,000 sizes, no two of which have the same vCPU and memory. */
export function withManyShapes(book: PriceBook): PriceBook {
  const sizes = Array.from({ length: COUNT }, (_, i) => ({
    ...book.sizes[0]!,
    id: `shape-${i}`,
    name: `Shape ${i}`,
    vcpu: 1 + (i % 100),
    memoryGiB: gib(1 + Math.floor(i / 100) * 3),
  }))
  const [region] = book.regions
  const price = book.prices[region!.id]!
  const sizePrices = Object.fromEntries(
    sizes.map(({ id }, i) => [id, { perHour: (0.01 + (i % 997) / 1_000).toFixed(4) }]),
  )
  return {
    ...book,
    regions: [region!],
    sizes,
    prices: { [region!.id]: { ...price, sizes: sizePrices } },
  }
}

/** 5,000 rows that ask for sizes that nobody sells, in `shapes` different shapes; or, at 0, that name sizes of the book. */
export function manyRows(book: PriceBook, week: WeekPlan, shapes: number): InventoryInputs {
  const rows = Array.from({ length: COUNT }, (_, i) =>
    shapes === 0
      ? [`m${i}`, book.sizes[i % book.sizes.length]!.name.toUpperCase(), '', '']
      : [
          `m${i}`,
          `old-${i % shapes}`,
          String(1 + ((i % shapes) % 97)),
          String(1 + Math.floor((i % shapes) / 97)),
        ],
  )
  return {
    table: { columns: COLUMNS, rows },
    mapping: proposedMapping(COLUMNS),
    plan: { name: 'rows', month: MARCH, weeks: [week], machines: [] },
    books: [{ ...book }],
    month: MARCH,
    provider: book.provider.id,
    week,
    confirmed: new Map(),
    meant: new Map(),
    decimal: '.',
    unit: 'GiB',
  }
}

export function readRows(inputs: InventoryInputs): void {
  const { rows } = finish(readInventory(inputs))
  if (rows.some(({ machine }) => !machine)) throw new Error('a generated row is no machine')
}

/** What each row costs when nothing is shared between rows: a sample of them, and the whole reckoned from it. */
export function matchOneByOne({ table, books, week }: InventoryInputs, sample: number): void {
  const index = indexBook(books[0]!)
  const start = newMachine(index.book, 'start', week)!
  for (const [, , vcpu, memory] of table.rows.slice(0, sample)) {
    const like = { vcpu: Number(vcpu), memoryGiB: gib(Number(memory)), architecture: 'x86-64' as const }
    const wanted = { ...start, needs: { ...like, iops: 0 } }
    const nearest = new NearestSizes(wanted, index.images.get(start.image)!, index, like)
    nearest.in(index.regions.get(start.region)!, index.terms.get(start.terms)!).next()
  }
}
