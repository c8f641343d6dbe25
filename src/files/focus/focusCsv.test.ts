import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { gib } from '../../core/quantity/units.ts'
import { anyMachineOf, anyRulesOf } from '../../core/testing/anyMachines.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { pricedTogether } from '../../core/testing/smallPlan.ts'
import { FOCUS_GRAINS, type FocusGrain } from './chargeSpans.ts'
import { focusCsv } from './focusCsv.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

type Row = Readonly<Record<string, string>>

/** As another program reads it. */
const rowsOf = (priced: readonly PricedMachine[], grain: FocusGrain): Row[] =>
  Papa.parse<Row>(focusCsv(priced, grain), { header: true, skipEmptyLines: true }).data

const pricedBy = (part: Partial<Machine>, book: PriceBook = RULE_BOOK): PricedMachine => {
  const [priced] = pricedTogether([{ size: 'middle', ...part }], book)
  if (!priced?.ok) throw new Error('not priced')
  return priced
}

/** Whole units of 10^-12. */
const units = (text: string): bigint => {
  const [whole, fraction = ''] = text.replace('-', '').split('.')
  return BigInt(`${text.startsWith('-') ? '-' : ''}${whole}${fraction.padEnd(12, '0')}`)
}

const sum = (rows: readonly Row[], column: string): string => {
  const total = rows.reduce((all, row) => all + units(row[column]!), 0n)
  return trimDecimal(toDecimal({ n: total, d: 10n ** 12n }, 12))
}

describe('a planned month as FOCUS', () => {
  test('by the day: ten hours of a working day at 0.2067, and a part of a disk’s month', () => {
    const rows = rowsOf([pricedBy({ off: 'deallocated' })], 'day')
    const monday = rows.filter(({ ChargePeriodStart }) => ChargePeriodStart === '2027-03-01T00:00:00Z')
    expect(monday.map(({ SkuMeter }) => SkuMeter)).toEqual(['compute', 'disk'])
    expect(monday[0]).toMatchObject({
      BillingPeriodStart: '2027-03-01T00:00:00Z',
      BillingPeriodEnd: '2027-04-01T00:00:00Z',
      ChargePeriodEnd: '2027-03-02T00:00:00Z',
      EffectiveCost: '2.067',
      PricingQuantity: '10',
      PricingUnit: 'Hours',
      ConsumedQuantity: '10',
      ConsumedUnit: 'Hours',
      ListUnitPrice: '0.2067',
      ServiceCategory: 'Compute',
      ChargeCategory: 'Usage',
      ChargeClass: '',
    })
    expect(JSON.parse(monday[0]!.SkuPriceDetails!)).toMatchObject({ InstanceType: 'middle' })
    expect(sum(rows, 'EffectiveCost')).toBe('57.401')
    expect(
      sum(
        rows.filter(({ SkuMeter }) => SkuMeter === 'compute'),
        'ConsumedQuantity',
      ),
    ).toBe('230')
  })

  test('a commitment says which of its hours nobody used', () => {
    const rows = rowsOf([pricedBy({ terms: 'year', off: 'deallocated' })], 'day')
    const hours = (status: string): string =>
      sum(
        rows.filter(({ CommitmentDiscountStatus }) => CommitmentDiscountStatus === status),
        'PricingQuantity',
      )
    expect([hours('Used'), hours('Unused')]).toEqual(['230', '514'])
  })

  test('what is beyond a cap costs nothing and keeps its list cost', () => {
    const capped = {
      ...RULE_BOOK,
      terms: RULE_BOOK.terms.map((each) => (each.kind === 'flat' ? { ...each, capHours: 230 } : each)),
    }
    const rows = rowsOf(
      [
        pricedBy(
          { size: 'flat', systemDisk: { kind: 'own', roomGiB: gib(60) }, terms: 'flat', off: 'deallocated' },
          capped,
        ),
      ],
      'hour',
    )
    const free = rows.filter(({ ChargeDescription }) => ChargeDescription?.includes('not charged'))
    expect(free.length).toBeGreaterThan(0)
    expect(new Set(free.map(({ EffectiveCost }) => EffectiveCost))).toEqual(new Set(['0']))
    expect(free.every(({ ListCost }) => ListCost !== '0')).toBe(true)
  })

  test('names that begin like a formula are no formulas', () => {
    expect(focusCsv([pricedBy({ name: '=1+1' })], 'day')).not.toMatch(/(^|,)"?=/m)
  })

  test('rows add up to the month to the last digit, by day and by hour, on all books', () => {
    fc.assert(
      fc.property(
        fc
          .constantFrom(...DEMO_BOOKS)
          .chain((book) =>
            anyRulesOf(book).chain((rules) =>
              fc.tuple(fc.constant(rules), anyMachineOf(rules, ['week']), fc.constantFrom(...FOCUS_GRAINS)),
            ),
          ),
        ([book, machine, grain]) => {
          const [priced] = pricedTogether([machine], book)
          if (!priced?.ok) return
          const rows = rowsOf([priced], grain)
          const { total, month } = priced.estimate
          expect(sum(rows, 'EffectiveCost')).toBe(trimDecimal(toDecimal(total, 12)))
          for (const { ChargePeriodStart, ChargePeriodEnd } of rows) {
            const [from, to] = [Date.parse(ChargePeriodStart!) / 1_000, Date.parse(ChargePeriodEnd!) / 1_000]
            expect(from >= month.from && from < to && to <= month.to).toBe(true)
          }
        },
      ),
      randomRuns(8),
    )
  })
})
