import { describe, expect, test } from 'vitest'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { estimateMachine } from '../../core/meter/estimateMachine.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { gib } from '../../core/quantity/units.ts'
import { resolved } from '../../core/testing/resolved.ts'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { checkEditions } from './checkEditions.ts'
import { readPriceBook, writePriceBook } from './priceBookFile.ts'

describe('editions of one provider', () => {
  const edition = (name: string, from: string, until?: string) => ({
    ...SMALL_BOOK,
    edition: name,
    valid: { from, ...(until !== undefined && { until }) },
  })

  test.each([
    ['an open end gives way to the next edition', edition('a', '2027-01-01'), edition('b', '2027-07-01'), 0],
    ['one after the other', edition('a', '2027-01-01', '2027-06-30'), edition('b', '2027-07-01'), 0],
    ['the same edition replaces itself', edition('a', '2027-01-01'), edition('a', '2027-01-01'), 0],
    ['a day that both have', edition('a', '2027-01-01', '2027-07-01'), edition('b', '2027-07-01'), 1],
    ['the same beginning', edition('a', '2027-01-01'), edition('b', '2027-01-01'), 1],
  ])('%s', (_, first, second, problems) => {
    expect(checkEditions(second, [first])).toHaveLength(problems)
    expect(checkEditions(first, [second])).toHaveLength(problems)
  })
})

describe('names that every object inherits', () => {
  const west = { ...RULE_BOOK.prices.west!, memoryImagePerGiBMonth: '0.1' }
  const BOOK = { ...RULE_BOOK, prices: { ...RULE_BOOK.prices, west } }
  const renamed = (...ids: string[]): string =>
    ids.reduce((text, id) => text.replaceAll(`"${id}"`, '"constructor"'), writePriceBook(BOOK))

  test.each([
    ['east'],
    ['year'],
    ['middle'],
    ['steps'],
    ['east', 'year', 'middle', 'steps', 'plain', 'seal'],
  ])('a book in which %s is called so costs what it cost', (...ids) => {
    const read = readPriceBook(renamed(...ids))
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    const costs = (book: PriceBook, name: (id: string) => string) => {
      const machine = {
        region: name('east'),
        size: name('middle'),
        terms: name('year'),
        systemDisk: { kind: name('steps'), roomGiB: gib(100) },
      }
      const month = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
      const estimate = estimateMachine({ resolved: resolved(machine, undefined, book), month })
      return estimate.ok ? toDecimal(estimate.value.total, 6) : estimate
    }
    expect(costs(read.value, (id) => (ids.includes(id) ? 'constructor' : id))).toBe(costs(BOOK, (id) => id))
  })

  test('a region, a size and terms of that name without prices have none', () => {
    const regions = [...BOOK.regions, { ...BOOK.regions[0]!, id: 'constructor' }]
    const sizes = [...BOOK.sizes, { ...BOOK.sizes[0]!, id: 'constructor' }]
    const read = readPriceBook(writePriceBook({ ...BOOK, regions, sizes }))
    expect(read.ok ? [] : read.issues.map(({ code, pointer }) => [code, pointer])).toContainEqual([
      'missing-price',
      '/prices/constructor',
    ])
    const terms = [...BOOK.terms, { id: 'constructor', name: 'Other', kind: 'spot', interruption: 'often' }]
    const book = { ...BOOK, terms } as PriceBook
    const month = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
    expect(() => resolved({ terms: 'constructor' }, undefined, book)).toThrow('not-sold')
    expect(estimateMachine({ resolved: resolved({}, undefined, book), month }).ok).toBe(true)
  })
})
