import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { compareEditions } from './compareEditions.ts'

const east = RULE_BOOK.prices.east!

const withEast = (part: Partial<typeof east>): PriceBook => ({
  ...RULE_BOOK,
  prices: { ...RULE_BOOK.prices, east: { ...east, ...part } },
})

describe('what changed between two editions', () => {
  test('is told price by price: a size dearer, one gone, a disk cheaper, a new one', () => {
    const { small, rare, ...others } = east.sizes
    const after = withEast({
      sizes: {
        ...others,
        small: { perHour: '0.2068' },
        newest: { perHour: '0.3', terms: { spot: { perHour: '0.1' } } },
      },
      disks: {
        ...east.disks,
        steps: { perMonthByStep: { ...east.disks.steps!.perMonthByStep, 64: '2.525' } },
      },
    })
    const { added, gone, dearer, cheaper } = compareEditions(RULE_BOOK, after)
    expect(dearer).toEqual([
      {
        of: 'size',
        id: 'small',
        region: 'east',
        rate: 'perHour',
        before: '0.1034',
        after: '0.2068',
        factor: 2,
      },
    ])
    expect(cheaper).toEqual([
      { of: 'disk', id: 'steps', region: 'east', rate: '64', before: '5.05', after: '2.525', factor: 0.5 },
    ])
    expect(gone.map(({ id }) => id)).toEqual(['rare'])
    expect(added).toEqual([
      { of: 'size', id: 'newest', region: 'east', rate: 'perHour', after: '0.3' },
      { of: 'size', id: 'newest', region: 'east', terms: 'spot', rate: 'perHour', after: '0.1' },
    ])
  })

  test('is nothing where prices are only written otherwise', () => {
    const sizes = { ...east.sizes, small: { perHour: '0.103400' } }
    expect(compareEditions(RULE_BOOK, withEast({ sizes }))).toMatchObject({
      added: [],
      gone: [],
      dearer: [],
      cheaper: [],
    })
  })

  test('is what a plain walk over both texts finds, on any books that were changed anywhere', () => {
    /** Every decimal text of the prices, by the path to it. */
    const walk = (value: unknown, path = ''): [string, string][] =>
      typeof value === 'string'
        ? /^\d+(\.\d+)?$/.test(value)
          ? [[path, value]]
          : []
        : value && typeof value === 'object'
          ? Object.entries(value).flatMap(([key, each]) => walk(each, `${path}/${key}`))
          : []
    const change = fc.record({ at: fc.nat(100_000), to: fc.constantFrom('0.00001', '999', undefined) })
    fc.assert(
      fc.property(fc.nat(DEMO_BOOKS.length - 1), fc.array(change, { maxLength: 12 }), (which, changes) => {
        const before = DEMO_BOOKS[which]!
        const after = structuredClone(before)
        const paths = walk(before.prices).map(([path]) => path.split('/').slice(1))
        for (const { at, to } of changes) {
          const path = paths[at % paths.length]!
          const last = path.at(-1)!
          let holder = after.prices as unknown as Record<string, never>
          for (const key of path.slice(0, -1)) holder = holder[key] ?? {}
          // A size can go; what a book must have cannot.
          if (to === undefined && path[1] === 'sizes') Reflect.deleteProperty(holder, last)
          else if (to !== undefined && last in holder) holder[last] = to as never
        }
        const [old, now] = [new Map(walk(before.prices)), new Map(walk(after.prices))]
        const both = [...now].filter(([path]) => old.has(path))
        const found = compareEditions(before, after)
        expect(found.dearer.length).toBe(
          both.filter(([path, text]) => Number(text) > Number(old.get(path))).length,
        )
        expect(found.cheaper.length).toBe(
          both.filter(([path, text]) => Number(text) < Number(old.get(path))).length,
        )
        expect(found.gone.length).toBe([...old.keys()].filter((path) => !now.has(path)).length)
        expect(found.added.length).toBe([...now.keys()].filter((path) => !old.has(path)).length)
      }),
    )
  })
})
