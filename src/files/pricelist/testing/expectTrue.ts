import { expect } from 'vitest'
import { ownValue } from '../../../core/ownValue.ts'
import type { PriceBook } from '../../../core/catalogue/priceBook.ts'
import type { TermsPrice } from '../../../core/catalogue/regionPrices.ts'
import { parseDecimal } from '../../../core/quantity/decimal.ts'
import { add, compare, ZERO, type Exact } from '../../../core/quantity/exact.ts'
import { checkPriceBook } from '../../priceBook/checkPriceBook.ts'
import type { InventedList, TruePrice } from './inventedList.ts'

/** Every price of the truth is in the book, and no other. */
export function expectTrue(
  book: PriceBook | undefined,
  { truth, disks = [], traffic = [] }: Omit<InventedList, 'files'>,
): void {
  expect(book && checkPriceBook(book)).toEqual([])
  const found = new Map(pricesOf(book!).map((price) => [keyOf(price), price]))
  const wrong = truth.filter((price) => {
    const own = found.get(keyOf(price))
    return (
      own?.vcpu !== price.vcpu ||
      own.memoryGiB !== price.memoryGiB ||
      compare(own.amount, parseDecimal(price.price)!) !== 0
    )
  })
  expect(wrong.slice(0, 3)).toEqual([])
  expect(found.size).toBe(truth.length)
  const places = new Map(book!.regions.map(({ id, name }) => [name, id]))
  for (const { disk, place, perGiBMonth } of disks) {
    const kind = book!.diskKinds.find(({ name }) => name === disk)!
    expect(book!.prices[places.get(place)!]!.disks[kind.id]).toEqual({
      perGiBMonth: perGiBMonth.replace(/0+$/, ''),
    })
  }
  if (traffic.length > 0) {
    for (const { trafficOut } of Object.values(book!.prices)) expect(trafficOut).toEqual(traffic)
  }
}

type FoundPrice = Omit<TruePrice, 'price'> & { readonly amount: Exact }

const keyOf = ({
  size,
  place,
  system = '',
  term = '',
}: Omit<TruePrice, 'price' | 'vcpu' | 'memoryGiB'>): string => [size, place, system, term].join('\n')

/** The prices of machines with their systems, as the book adds them up. */
function pricesOf(book: PriceBook): FoundPrice[] {
  return book.regions.flatMap(({ id: region, name: place }) =>
    book.sizes.flatMap((size): FoundPrice[] => {
      const price = ownValue(book.prices[region]!.sizes, size.id)
      if (!price) return []
      const onTerms = Object.entries(price.terms ?? {}).map(([id, offer]) => ({
        offer,
        term: book.terms.find((terms) => terms.id === id)!.name,
      }))
      const offers: { offer: TermsPrice; term?: string }[] = [
        ...(rateOf(price) ? [{ offer: price }] : []),
        ...onTerms,
      ]
      return offers.flatMap(({ offer, term }): FoundPrice[] => {
        const plain = {
          size: size.name,
          vcpu: size.vcpu,
          memoryGiB: size.memoryGiB,
          place,
          ...(term !== undefined && { term }),
        }
        const base = rateOf(offer) ?? ZERO
        const licensed = book.licences.flatMap(({ id, name }) => {
          const own = offer.licences?.[id] ?? price.licences?.[id]
          return own ? [{ ...plain, system: name, amount: add(base, rateOf(own)!) }] : []
        })
        return [{ ...plain, amount: base }, ...licensed]
      })
    }),
  )
}

function rateOf({ perHour, perMonth, perSecond }: TermsPrice): Exact | undefined {
  const text = perHour ?? perMonth ?? perSecond
  return text === undefined ? undefined : parseDecimal(text)!
}
