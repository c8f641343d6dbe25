import { expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook, Size } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { NearestShapes } from './nearestShapes.ts'
import { NearestSizes } from './nearestSizes.ts'

/** As a search for one question finds them. */
function oneByOne(
  book: PriceBook,
  region: string,
  terms: string,
  image: string,
  vcpu: number,
  memory: number,
) {
  const index = indexBook(book)
  const wanted = { ...SMALL_MACHINE, needs: { vcpu: Math.ceil(vcpu), memoryGiB: gib(memory), iops: 0 } }
  const like = { vcpu, memoryGiB: gib(memory), architecture: 'x86-64' as const }
  const nearest = new NearestSizes({ ...wanted, dataDisks: [] }, index.images.get(image)!, index, like)
  return [...nearest.in(index.regions.get(region)!, index.terms.get(terms)!)].slice(0, 6)
}

function many(book: PriceBook, region: string, terms: string, image: string): NearestShapes {
  const index = indexBook(book)
  const machine = { ...SMALL_MACHINE, needs: { vcpu: 1, memoryGiB: gib(1), iops: 0 }, dataDisks: [] }
  return new NearestShapes(machine, index.images.get(image)!, index, index.regions.get(region)!, index.terms.get(terms)!) // prettier-ignore
}

const names = (sizes: readonly Size[]): string[] => sizes.map(({ name }) => name)

test('the nearest of a small book: equally near ones by price, those not sold there left out', () => {
  const { id: terms } = SMALL_BOOK.terms[0]!
  const shapes = many(SMALL_BOOK, 'east', terms, SMALL_MACHINE.image)
  expect(names(shapes.nearest(4, gib(14), 3))).toEqual(
    names(oneByOne(SMALL_BOOK, 'east', terms, SMALL_MACHINE.image, 4, 14)).slice(0, 3),
  )
  expect(shapes.nearest(4_000, gib(1), 6)).toEqual([])
})

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'whatever is asked of %s, the sizes and their order are those of a search for it alone',
  (_, book) => {
    let compared = 0
    for (const { id: region } of book.regions.slice(0, 2)) {
      for (const { id: terms } of book.terms) {
        for (const { id: image } of book.images) {
          const shapes = many(book, region, terms, image)
          for (const vcpu of [1, 1.5, 2, 3, 4, 7, 8, 16]) {
            for (const memory of [0.5, 2, 3.7252902984619, 8, 14, 32]) {
              const found = shapes.nearest(vcpu, gib(memory), 6)
              expect(found).toEqual(oneByOne(book, region, terms, image, vcpu, memory))
              compared += found.length
            }
          }
        }
      }
    }
    expect(compared).toBeGreaterThan(500)
  },
)
