import type { PriceBook } from '../catalogue/priceBook.ts'
import type { SizeRateTexts } from '../catalogue/regionPrices.ts'
import { ownValue } from '../ownValue.ts'
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

const HOURS_OF_MONTH = 730
const GIB_LIKE_VCPU = 8

const middle = (values: readonly number[]): number | undefined =>
  [...values].sort((a, b) => a - b)[values.length >> 1]

/** By the hour, whatever it is priced by. */
function hourOf(rates: SizeRateTexts, { vcpu, memoryGiB }: { vcpu: number; memoryGiB: number }): number {
  const { perSecond, perHour, perMonth, perVcpuHour, perGiBHour } = rates
  return (
    Number(perSecond ?? 0) * 3_600 +
    Number(perHour ?? 0) +
    Number(perMonth ?? 0) / HOURS_OF_MONTH +
    Number(perVcpuHour ?? 0) * vcpu +
    Number(perGiBHour ?? 0) * memoryGiB
  )
}

/** Once a book. O(prices × log prices). */
export const bookFigures: (book: PriceBook) => BookFigures = keptFor((book: PriceBook): BookFigures => {
  const machines: number[] = []
  const disks: number[] = []
  for (const { sizes, disks: kinds } of Object.values(book.prices)) {
    for (const size of book.sizes) {
      const price = ownValue(sizes, size.id)
      const hour = price ? hourOf(price, size) : 0
      if (hour > 0) machines.push(hour / (size.vcpu + size.memoryGiB / GIB_LIKE_VCPU))
    }
    for (const { perGiBMonth, perMonthByStep } of Object.values(kinds)) {
      if (Number(perGiBMonth ?? 0) > 0) disks.push(Number(perGiBMonth))
      for (const [step, price] of Object.entries(perMonthByStep ?? {}))
        if (Number(price) > 0) disks.push(Number(price) / Number(step))
    }
  }
  const machineHour = middle(machines)
  const memoryPerVcpu = middle(book.sizes.map(({ vcpu, memoryGiB }) => memoryGiB / vcpu))
  const diskGiBMonth = middle(disks)
  return {
    currency: book.currency,
    ...(machineHour !== undefined && { machineHour }),
    ...(memoryPerVcpu !== undefined && { memoryPerVcpu }),
    ...(diskGiBMonth !== undefined && { diskGiBMonth }),
  }
})
