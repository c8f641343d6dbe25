import type { PriceBook } from '../catalogue/priceBook.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { DiskPrice } from '../catalogue/regionPrices.ts'
import { roughHour, sizeRates } from '../catalogue/sizeRates.ts'
import { middleOf } from '../quantity/middleOf.ts'
import { toNumber } from '../quantity/exact.ts'
import { keptFor } from '../keptFor.ts'

/** What things cost and are in a book, by the middle of all of its prices: for comparison, never for a sum. */
export interface BookFigures {
  readonly currency: string
  /** An hour of a vCPU with its share of memory, where 8 GiB count as one more vCPU. */
  readonly machineHour?: number
  /** GiB of memory for each vCPU. */
  readonly memoryPerVcpu?: number
  /** A GiB of disk for a month. */
  readonly diskGiBMonth?: number
}

const GIB_LIKE_VCPU = 8
/** A middle of so many says what one of all does. */
const MOST_MEASURED = 5_000

/** A GiB for a month, by whatever it is priced by: the first of bands, whole disks by their steps. */
const diskPrices = ({ perGiBMonth, perGiBMonthBands, perMonthByStep = {} }: DiskPrice): number[] => [
  Number(perGiBMonth ?? perGiBMonthBands?.[0]?.price ?? 0),
  ...Object.entries(perMonthByStep).map(([step, price]) => Number(price) / Number(step)),
]

/** Once a book. O(sizes × regions), of which at most `MOST_MEASURED` are priced. */
export const bookFigures: (book: PriceBook) => BookFigures = keptFor((book: PriceBook): BookFigures => {
  const onDemand = book.terms.find(({ kind }) => kind === 'on-demand')
  const regions = [...indexBook(book).regions.values()]
  const all = regions.flatMap((region) => book.sizes.map((size) => ({ region, size })))
  const every = Math.ceil(all.length / MOST_MEASURED)
  const machines = all.flatMap(({ region, size }, i) => {
    const rates = onDemand && i % every === 0 ? sizeRates(region, size.id, onDemand) : undefined
    return rates ? toNumber(roughHour(rates, size)) / (size.vcpu + size.memoryGiB / GIB_LIKE_VCPU) : []
  })
  const disks = regions.flatMap(({ prices }) => Object.values(prices.disks).flatMap(diskPrices))
  const machineHour = middleOf(machines.filter((price) => price > 0))
  const memoryPerVcpu = middleOf(book.sizes.map(({ vcpu, memoryGiB }) => memoryGiB / vcpu))
  const diskGiBMonth = middleOf(disks.filter((price) => price > 0))
  return {
    currency: book.currency,
    ...(machineHour !== undefined && { machineHour }),
    ...(memoryPerVcpu !== undefined && { memoryPerVcpu }),
    ...(diskGiBMonth !== undefined && { diskGiBMonth }),
  }
})
