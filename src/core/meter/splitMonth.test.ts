import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { partedCharges } from './partedCharges.ts'
import type { PricedMachine } from './planPricing.ts'
import { MONTH_PARTS } from './monthPart.ts'
import { splitMonth } from './splitMonth.ts'

const text = (amount: Exact): string => trimDecimal(toDecimal(amount, 6))

const pricedBy = (part: Partial<Machine>, book: PriceBook): PricedMachine => {
  const [priced] = pricedTogether([{ size: 'middle', ...part }], book)
  if (!priced?.ok) throw new Error('not priced')
  return priced
}

/** kept, asked for, leak, saved: in the office week, on for 230 of 744 hours in March 2027, a disk at 9.86. */
function partsOf(part: Partial<Machine>, book = RULE_BOOK): string[] {
  const { kept, asked, leak, saved } = splitMonth(pricedBy(part, book))
  return [kept, asked, leak, saved].map(text)
}

describe('a month by what it was paid for', () => {
  test('off at no charge, 230 × 0.2067 are asked for and nothing leaks; 514 × 0.2067 are saved', () => {
    expect(partsOf({ off: 'deallocated' })).toEqual(['9.86', '47.541', '0', '106.2438'])
  })

  test('stopped but charged, or never off, what was saved leaks', () => {
    expect(partsOf({ off: 'stopped' })).toEqual(['9.86', '47.541', '106.2438', '0'])
    expect(partsOf({ off: 'running' })).toEqual(['9.86', '47.541', '106.2438', '0'])
  })

  test('a commitment leaks in hours that nobody used: 230 and 514 × 0.1302', () => {
    expect(partsOf({ terms: 'year', off: 'deallocated' })).toEqual(['9.86', '29.946', '66.9228', '0'])
    // 876 for twelve months are 73 in March: 73 × 230 ÷ 744 and 230 × 0.05.
    expect(partsOf({ terms: 'year-part', off: 'deallocated' })[1]).toBe('34.067204')
  })

  test('coming back 75 s and going off 30 s, 23 times, leak: 23 × 105 s × 0.2067 ÷ 3,600', () => {
    const [, asked, leak] = partsOf({ off: 'deallocated' }, SMALL_BOOK)
    expect([asked, leak]).toEqual(['47.441956', '0.138661'])
  })

  test('begun hours leak: 23 runs of 10 h by increments of 3 h are charged 12 h', () => {
    const book = { ...RULE_BOOK, billing: { ...RULE_BOOK.billing, incrementSeconds: 10_800 } }
    expect(partsOf({ off: 'deallocated' }, book).slice(1, 3)).toEqual(['47.541', '9.5082'])
  })

  test('a flat plan leaks while it is off, also where its cap is as long as the week’s hours: 76 of the first 230 are asked for', () => {
    const capped = (capHours: number): PriceBook => ({
      ...RULE_BOOK,
      terms: RULE_BOOK.terms.map((each) =>
        each.kind === 'flat' && each.id === 'flat' ? { ...each, capHours } : each,
      ),
    })
    const flat = {
      size: 'flat',
      systemDisk: { kind: 'own', roomGiB: gib(60) },
      terms: 'flat',
      off: 'deallocated',
    } as const
    // Until 10 March 14:00 there are seven working days of ten hours, and six hours of the eighth: 76 × 0.0132.
    const { asked, leak } = splitMonth(pricedBy(flat, capped(230)))
    expect([text(asked), text(leak), text(add(asked, leak))]).toEqual(['1.0032', '2.0328', '3.036'])
  })

  test('memory on disk is kept, traffic is asked for, and what is missing to a month’s least leaks', () => {
    // 16 GiB × 0.05 × 514 ÷ 744, and 100 GiB at nothing before 20 at 0.09.
    expect(partsOf({ off: 'hibernated', trafficOutGiB: gib(120) }).slice(0, 3)).toEqual([
      '10.412688',
      '49.341',
      '0',
    ])
    const book = { ...RULE_BOOK, billing: { ...RULE_BOOK.billing, minimumPerMachineMonth: '60' } }
    expect(partsOf({ off: 'deallocated' }, book).slice(0, 3)).toEqual(['9.86', '47.541', '2.599'])
  })

  test('its charges, cut, add up to it part by part', () => {
    const flat = { size: 'flat', systemDisk: { kind: 'own', roomGiB: gib(60) }, terms: 'flat' } as const
    for (const part of [{ off: 'stopped' }, { terms: 'year-part' }, flat] as const) {
      const priced = pricedBy(part, RULE_BOOK)
      const split = splitMonth(priced)
      const charges = partedCharges(priced)
      for (const name of MONTH_PARTS) {
        const own = charges.filter((each) => each.part === name)
        const sum = own.reduce((total, { charge }) => add(total, charge.amount), ZERO)
        expect(text(sum)).toBe(text(split[name]))
      }
    }
  })
})
