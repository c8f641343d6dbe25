import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { ruleLines } from '../testing/ruleLines.ts'
import { pricedTogether } from '../testing/smallPlan.ts'

const east = RULE_BOOK.prices.east!

/** The first 100 hours of a machine's month at 0.2, the next 100 at 0.15, the rest at 0.1; disks of 50 GiB at 0.1, beyond at 0.06. */
const book: PriceBook = {
  ...RULE_BOOK,
  prices: {
    ...RULE_BOOK.prices,
    east: {
      ...east,
      sizes: {
        ...east.sizes,
        middle: {
          perHourBands: [{ upTo: 100, price: '0.2' }, { upTo: 200, price: '0.15' }, { price: '0.1' }],
          terms: { flat: { perHourBands: [{ upTo: 600, price: '0.1' }, { price: '0.05' }] } },
        },
      },
      disks: {
        ...east.disks,
        gib: { perGiBMonthBands: [{ upTo: 50, price: '0.1' }, { price: '0.06' }] },
      },
    },
  },
}

const lines = (part: Parameters<typeof ruleLines>[0]): string[] => ruleLines(part, { book })

describe('prices in bands of quantity', () => {
  test('230 hours are 100 × 0.2, 100 × 0.15 and 30 × 0.1', () => {
    expect(lines({}).slice(0, 3)).toEqual([
      'Machine time, band 1 of 3: 20',
      'Machine time, band 2 of 3: 15',
      'Machine time, band 3 of 3: 3',
    ])
  })

  test('free hours go before the bands: 150 that are left are 100 × 0.2 and 50 × 0.15', () => {
    const start = { id: 'start', hoursPerMonth: 80, eligible: ['middle'], until: '2027-12-31' }
    const [priced] = pricedTogether([{ size: 'middle' }], { ...book, freeAllowances: [start] })
    if (!priced?.ok) throw new Error('not priced')
    const hours = priced.estimate.charges.filter(({ meter }) => meter === 'compute')
    expect(hours.map(({ amount }) => trimDecimal(toDecimal(amount, 6)))).toEqual(['0', '20', '7.5'])
  })

  test('a cap ends them: 650 h of a flat plan are 600 × 0.1 and 50 × 0.05', () => {
    expect(lines({ terms: 'flat' }).slice(0, 3)).toEqual([
      'Machine time, band 1 of 2: 60',
      'Machine time, beyond the cap: 0',
      'Machine time, band 2 of 2: 2.5',
    ])
  })

  test('a disk of 80 GiB is 50 × 0.1 and 30 × 0.06; one of 50 GiB stays in the first band', () => {
    const disk = (roomGiB: number) => lines({ systemDisk: { kind: 'gib', roomGiB: gib(roomGiB) } }).slice(3)
    expect(disk(80)).toEqual(['System disk, band 1 of 2: 5', 'System disk, band 2 of 2: 1.8'])
    expect(disk(50)).toEqual(['System disk, band 1 of 2: 5'])
  })
})
