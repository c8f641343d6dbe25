import { expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import { toNumber } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { cheapestHour } from './cheapestHour.ts'

const hourIn = (book: (typeof DEMO_BOOKS)[number], region: string): number => {
  const index = indexBook(book)
  return toNumber(cheapestHour(index, index.regions.get(region)!))
}

test('is the least of what a region sells by the hour', () => {
  const [fennmark] = DEMO_BOOKS
  const sold = Object.values(fennmark!.prices.porto!.sizes).flatMap(({ perHour }) => perHour ?? [])
  expect(hourIn(fennmark!, 'porto')).toBe(Math.min(...sold.map(Number)))
  expect(hourIn(fennmark!, 'gdynia')).not.toBe(hourIn(fennmark!, 'porto'))
})

test('is nothing where nothing is sold on demand', () => {
  const committed = SMALL_BOOK.terms.filter(({ kind }) => kind !== 'on-demand')
  expect(hourIn({ ...SMALL_BOOK, terms: committed }, 'east')).toBe(0)
})
