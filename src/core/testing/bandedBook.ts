import type { PriceBook } from '../catalogue/priceBook.ts'
import type { HourBands, SizeRateTexts } from '../catalogue/regionPrices.ts'

interface Ends {
  /** Of the first band of hours. */
  readonly hours: number
  /** Of the first band of GiB. */
  readonly gib: number
}

/**
 * The book with every price for an hour and for a GiB in three bands: its own price, a second one up to twice as far,
 * and a third beyond. Prices on demand stay where the book has a rebate, and those of commitments.
 */
export function bandedBook(book: PriceBook, { hours, gib }: Ends): PriceBook {
  const inBands = (price: string, upTo: number, [second, third]: readonly [string, string]) => [
    { upTo, price },
    { upTo: 2 * upTo, price: second },
    { price: third },
  ]
  const banded = <Price extends SizeRateTexts & HourBands>({ perHour, ...price }: Price) =>
    perHour === undefined
      ? price
      : { ...price, perHourBands: inBands(perHour, hours, ['0.0123456789', '0.001']) }
  const prices = Object.entries(book.prices).map(([region, there]) => {
    const sizes = Object.entries(there.sizes).map(([id, price]) => {
      const terms = Object.entries(price.terms ?? {}).map(([name, offer]) => {
        const isBound = book.terms.some((each) => each.id === name && each.kind === 'commitment')
        return [name, isBound ? offer : banded(offer)] as const
      })
      const plain = book.billing.longRunRebate ? price : banded(price)
      return [id, { ...plain, ...(price.terms && { terms: Object.fromEntries(terms) }) }] as const
    })
    const disks = Object.entries(there.disks).map(([id, { perGiBMonth, ...price }]) => [
      id,
      perGiBMonth === undefined
        ? price
        : { ...price, perGiBMonthBands: inBands(perGiBMonth, gib, ['0.0456', '0.0078']) },
    ])
    return [region, { ...there, sizes: Object.fromEntries(sizes), disks: Object.fromEntries(disks) }] as const
  })
  return { ...book, prices: Object.fromEntries(prices) }
}
