import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { MARCH, NEVER, PRINTED_MARCH, ruleLines } from '../testing/ruleLines.ts'
import { weekOf } from '../testing/weeks.ts'
import { hourByState } from './hourByState.ts'
import { machineTotal } from './machineTotal.ts'

describe('a minimum for each machine and month', () => {
  const minimum = (text: string): PriceBook => ({
    ...RULE_BOOK,
    billing: { ...RULE_BOOK.billing, minimumPerMachineMonth: text },
  })

  test('charges what is missing to it: 60 − (47.541 + 9.86)', () => {
    expect(ruleLines({}, { book: minimum('60') })).toEqual([
      'Machine time: 47.541',
      'System disk: 9.86',
      'Missing to the minimum of the month: 2.599',
    ])
    expect(ruleLines({}, { book: minimum('60'), month: PRINTED_MARCH }).at(-1)).toBe(
      'Missing to the minimum of the month: 3.493589',
    )
  })

  test('charges nothing where the rest reaches it, to the last digit', () => {
    expect(ruleLines({}, { book: minimum('57.401') })).toEqual(ruleLines({}))
    expect(ruleLines({}, { book: minimum('57.4011') }).at(-1)).toBe(
      'Missing to the minimum of the month: 0.0001',
    )
  })

  test('is asked for in a month in which there is a machine, if only for an hour, and in no other', () => {
    const book = minimum('60')
    const hour = weekOf('Etc/UTC', [{ day: 0, from: 600, to: 660 }])
    const deleted = { off: 'deleted', address: 'none' } as const
    const total = (week: typeof NEVER, of = book): string =>
      trimDecimal(toDecimal(machineTotal(resolved(deleted, week, of), MARCH)!, 6))
    expect(total(hour)).toBe('60')
    expect(total(NEVER)).toBe(total(NEVER, RULE_BOOK))
  })

  test('is the minimum of no single hour', () => {
    const hours = (book: PriceBook): string[] =>
      hourByState(resolved({}, OFFICE_WEEK, book), MARCH).map(({ amount }) => toDecimal(amount, 6))
    expect(hours(minimum('60'))).toEqual(hours(RULE_BOOK))
  })
})
