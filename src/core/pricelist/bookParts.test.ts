import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkPriceBook } from '../../files/priceBook/checkPriceBook.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { figureText, fillFigure, putFigures, readSizeFigure, SIZE_FIGURES } from './figureRows.ts'
import { newBook } from './newBook.ts'
import { addPlace, addTerms, dropPlace, dropTerms, renamePlace, soldOnlyIn } from './placeRows.ts'
import { isSoldElsewhere, plainPrice, putSize } from './sizeRows.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const EMPTY = newBook({
  id: 'own',
  name: 'Own',
  currency: 'EUR',
  place: { id: 'lyon', name: 'Lyon' },
  from: '2027-03-01',
})
const HOURLY = { region: 'lyon', period: 'hour' } as const
const TERN = { name: 'Tern', vcpu: 4, memoryGiB: gib(16), price: '0.1' }
const withTern = putSize(EMPTY, undefined, TERN, HOURLY)

describe('places of a book', () => {
  const two = addPlace(withTern, 'Porto 1')

  test('a new one sells nothing yet, and is where its name says', () => {
    expect(checkPriceBook(two)).toEqual([])
    expect(two.regions[1]).toMatchObject({
      id: 'porto-1',
      country: 'PT',
      jurisdiction: 'EU',
      latitude: 41.15,
    })
    expect(renamePlace(two, 'porto-1', 'Leeds').regions[1]).toMatchObject({ id: 'porto-1', country: 'GB' })
  })

  test('a size may be sold in one place and not in another, but somewhere', () => {
    const there = { region: 'porto-1', period: 'hour' } as const
    expect(plainPrice(two, 'tern', there)).toBeUndefined()
    expect(isSoldElsewhere(two, 'tern', there)).toBe(true)
    expect(isSoldElsewhere(two, 'tern', HOURLY)).toBe(false)
    const both = putSize(two, 'tern', { ...TERN, price: '0.12' }, there)
    const only = putSize(both, 'tern', { ...TERN, price: '' }, HOURLY)
    expect(only.prices.lyon!.sizes).toEqual({})
    expect(checkPriceBook(only)).toEqual([])
    expect(soldOnlyIn(only, 'porto-1')).toEqual(['Tern'])
    expect(checkPriceBook(dropPlace(both, 'lyon'))).toEqual([])
    expect(dropPlace(only, 'porto-1').sizes).toEqual([])
  })
})

describe('terms of a book', () => {
  const bound = addTerms(withTern, 'A year', 12)
  const onTerms = { ...HOURLY, terms: 'a-year' }

  test('prices on them stand beside the plain ones', () => {
    const priced = putSize(bound, 'tern', { ...TERN, price: '0.07' }, onTerms)
    expect(checkPriceBook(priced)).toEqual([])
    expect(priced.prices.lyon!.sizes.tern).toEqual({
      perHour: '0.1',
      terms: { 'a-year': { perHour: '0.07' } },
    })
    expect([plainPrice(priced, 'tern', HOURLY), plainPrice(priced, 'tern', onTerms)]).toEqual(['0.1', '0.07'])
    expect(putSize(priced, 'tern', { ...TERN, price: '' }, onTerms).prices).toEqual(bound.prices)
    expect(dropTerms(priced, 'a-year')).toEqual(withTern)
  })

  test('and what goes with them alone goes with them', () => {
    const only = putSize(
      putSize(bound, 'tern', { ...TERN, price: '0.07' }, onTerms),
      'tern',
      { ...TERN, price: '' },
      HOURLY,
    )
    expect(checkPriceBook(only)).toEqual([])
    expect(dropTerms(only, 'a-year').sizes).toEqual([])
  })

  test('licences of a size stay when its price is typed anew', () => {
    const licences = { office: { perHour: '0.02' } }
    const licensed: PriceBook = {
      ...bound,
      licences: [{ id: 'office', name: 'Office', leastVcpu: 0, ownLicence: false }],
      prices: { lyon: { ...bound.prices.lyon!, sizes: { tern: { perHour: '0.1', licences } } } },
    }
    const typed = putSize(
      putSize(licensed, 'tern', { ...TERN, price: '0.2' }, HOURLY),
      'tern',
      { ...TERN, price: '0.1' },
      onTerms,
    )
    expect(typed.prices.lyon!.sizes.tern).toEqual({
      perHour: '0.2',
      licences,
      terms: { 'a-year': { perHour: '0.1' } },
    })
  })
})

describe('figures of sizes', () => {
  test.each<[(typeof SIZE_FIGURES)[number], string, unknown]>([
    ['architecture', 'ARM', 'arm64'],
    ['architecture', 'AMD64', 'x86-64'],
    ['mostDisks', '8', 8],
    ['iops', '12,800', 12_800],
    ['hibernation', 'No', false],
    ['hibernation', 'ja', true],
    ['localDiskGiB', '', undefined],
  ])('%s %s', (figure, cell, expected) => {
    expect(readSizeFigure(withTern, figure, cell)?.[figure]).toBe(expected)
  })

  test.each<[(typeof SIZE_FIGURES)[number], string]>([
    ['architecture', 'ppc'],
    ['mostDisks', '2.5'],
    ['mostDisks', '0'],
    ['iops', 'many'],
    ['hibernation', 'perhaps'],
    ['family', 'none such'],
  ])('%s %s is none', (figure, cell) => {
    expect(readSizeFigure(withTern, figure, cell)).toBeUndefined()
  })

  test('every figure of every size reads back as it stands, in all books', () => {
    const wrong = DEMO_BOOKS.flatMap((book) =>
      book.sizes.flatMap((size) =>
        SIZE_FIGURES.filter((figure) => {
          const part = readSizeFigure(book, figure, figureText(book, size, figure))
          return part === undefined || (part[figure] ?? undefined) !== size[figure]
        }).map((figure) => `${size.name} ${figure}`),
      ),
    )
    expect(wrong).toEqual([])
  })

  test('one is put in a size, a family or all, taken away again, and the book stands', () => {
    const [book] = DEMO_BOOKS as [PriceBook, ...PriceBook[]]
    fc.assert(
      fc.property(
        fc.constantFrom(...book.sizes),
        fc.integer({ min: 1, max: 64 }),
        ({ id, family }, mostDisks) => {
          const one = putFigures(book, id, { mostDisks })
          const some = fillFigure(book, family, { mostDisks })
          const counts = [one, some, fillFigure(book, undefined, { mostDisks })].map(
            ({ sizes }) => sizes.filter((size, i) => size !== book.sizes[i]).length,
          )
          const members = book.sizes.filter((size) => size.family === family).length
          expect(counts).toEqual([1, members, book.sizes.length])
          const without = putFigures(one, id, { mostDisks: undefined })
          expect(without.sizes.find((size) => size.id === id)).not.toHaveProperty('mostDisks')
          expect(checkPriceBook(without)).toEqual([])
        },
      ),
      randomRuns(20),
    )
  })
})
