import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { resolved } from '../testing/resolved.ts'
import { ruleLines } from '../testing/ruleLines.ts'

const east = RULE_BOOK.prices.east!

/** The office image is sold with the middle size alone; the seal has a price of its own there beside that for a vCPU. */
const book: PriceBook = {
  ...RULE_BOOK,
  licences: [...RULE_BOOK.licences, { id: 'office', name: 'Office', leastVcpu: 1, ownLicence: true }],
  images: [...RULE_BOOK.images, { id: 'office', name: 'Office system', licence: 'office' }],
  prices: {
    ...RULE_BOOK.prices,
    east: {
      ...east,
      sizes: {
        ...east.sizes,
        middle: {
          ...east.sizes.middle,
          licences: { office: { perHour: '0.046' }, seal: { perMonth: '14.88' } },
          terms: {
            ...east.sizes.middle!.terms,
            spot: { perHour: '0.07', licences: { office: { perSecond: '0.00001' } } },
          },
        },
      },
    },
  },
}

const lines = (part: Parameters<typeof ruleLines>[0]): string[] => ruleLines(part, { book })

describe('a licence that is priced by the size', () => {
  test('230 × 0.046, whatever the vCPU', () => {
    expect(lines({ image: 'office' })).toEqual(['Machine time: 47.541', 'Office: 10.58', 'System disk: 9.86'])
  })

  test('by the month for its share of it, before the price for a vCPU: 14.88 × 230 ÷ 744', () => {
    expect(lines({ image: 'sealed' })).toContain('Seal: 4.6')
  })

  test('as the terms say, 828,000 s × 0.00001, or as on demand where they do not', () => {
    expect(lines({ image: 'office', terms: 'spot' })).toContain('Office: 8.28')
    expect(lines({ image: 'office', terms: 'year' })).toContain('Office: 10.58')
  })

  test('an image is not sold with sizes that have no price for its licence, unless one is brought along', () => {
    const small = { image: 'office', size: 'small' } as const
    expect(fitReasons(resolved(small, undefined, book))).toContainEqual({
      code: 'licence-not-sold-here',
      image: 'Office system',
      size: 'small',
      place: 'East',
    })
    expect(() => lines(small)).toThrow('licence')
    expect(lines({ ...small, ownLicence: true })).toEqual(['Machine time: 23.782', 'System disk: 9.86'])
  })
})
