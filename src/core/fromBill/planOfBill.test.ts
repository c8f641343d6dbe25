import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { billOfRows } from '../../files/bill/billOfRows.ts'
import { focusRows } from '../../files/focus/focusRows.ts'
import { checkPlan } from '../../files/plan/checkPlan.ts'
import { readPlan, writePlan } from '../../files/plan/planFile.ts'
import { readPriceBook, writePriceBook } from '../../files/priceBook/priceBookFile.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toNumber } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { billedWeek } from './billedWeek.ts'
import { planOfBill } from './planOfBill.ts'

const MONTH = '2027-03' as YearMonth

describe('a week from hours by day', () => {
  const dates = Array.from({ length: 28 }, (_, i) => `2027-03-${String(i + 1).padStart(2, '0')}`)
  const hours = (of: (weekday: number) => number) =>
    new Map(dates.map((date) => [date, of((Number(date.slice(8)) + 6) % 7) * 3_600]))

  test('ten hours on working days, of which one was a holiday', () => {
    const seconds = hours((day) => (day < 5 ? 10 : 0))
    seconds.set('2027-03-19', 0)
    const { windows, fit } = billedWeek(dates, seconds)
    expect(windows).toEqual([0, 1, 2, 3, 4].map((day) => ({ day, from: 480, to: 1_080 })))
    expect(fit).toBeCloseTo(1 - 10 / 200, 10)
  })

  test('always on is all day, never on is nothing', () => {
    expect(
      billedWeek(
        dates,
        hours(() => 24),
      ).windows,
    ).toHaveLength(7)
    expect(billedWeek(dates, new Map())).toEqual({ windows: [], fit: 1 })
  })
})

test('the demo’s own bill becomes a plan and books that cost much the same', () => {
  const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  const pricing = new PlanPricing({ plan: read.value, books: DEMO_BOOKS, month: MONTH, reading: 'calendar' })
  const priced = read.value.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const bill = billOfRows(
    priced.flatMap((each) => focusRows(each, 'day')),
    { timeZone: 'Etc/UTC' },
  )
  const { plan, books, fits, others } = planOfBill(bill.lines, bill.resources, MONTH, 'Europe/Lisbon')
  expect(plan.machines.map(({ name }) => name).sort()).toEqual(
    priced.map(({ resolved }) => resolved.machine.name).sort(),
  )
  expect(books.map(({ provider }) => provider.name)).toEqual(
    expect.arrayContaining(
      ['Fennmark', 'Tidewright', 'Plinthouse', 'Quarry Row'].map((name) => `${name}, as billed`),
    ),
  )
  expect(others).toEqual([])
  // They are files like any other.
  for (const book of books) {
    const again = readPriceBook(writePriceBook(book))
    if (!again.ok) throw new Error(JSON.stringify(again.issues))
  }
  expect(readPlan(writePlan(plan)).ok).toBe(true)
  expect(checkPlan(plan, books)).toEqual([])
  expect(fits.get('signal-replay')).toBeGreaterThan(0.9)
  const replay = plan.machines.find(({ name }) => name === 'signal-replay')!
  const before = priced.find(({ resolved }) => resolved.machine.name === 'signal-replay')!.resolved.machine
  expect(replay.systemDisk.roomGiB).toBe(before.systemDisk.roomGiB)
  const priceOf = new PlanPricing({ plan, books, month: MONTH, reading: 'calendar' })
  let [planned, billed] = [0, 0]
  for (const { resolved, estimate } of priced) {
    const { name } = resolved.machine
    const found = priceOf.of(plan.machines.find((machine) => machine.name === name)!)
    if (!found.ok) throw new Error(`${name}: ${JSON.stringify(found.issues)}`)
    planned += toNumber(estimate.total)
    billed += toNumber(found.estimate.total)
  }
  // Hours that only a weekday’s sum is known of, rebates and free hours that have become a price.
  expect(Math.abs(billed / planned - 1)).toBeLessThan(0.1)
})

const ROW = {
  BillingPeriodStart: '2027-03-01T00:00:00Z',
  ChargePeriodStart: '2027-03-01T00:00:00Z',
  ChargePeriodEnd: '2027-03-02T00:00:00Z',
  BillingCurrency: 'EUR',
  ChargeCategory: 'Usage',
  ServiceCategory: 'Compute',
  ProviderName: 'Larch',
  RegionId: 'north',
  SkuMeter: 'machine',
  SkuPriceDetails: '{"InstanceType":"reed"}',
  PricingUnit: 'Hours',
  PricingQuantity: '10',
}

test('a size costs what its machines paid on average; a machine without a disk on its bill is priced, too', () => {
  const { lines, resources } = billOfRows(
    [
      { ...ROW, ResourceId: 'a', ResourceName: 'a', EffectiveCost: '1' },
      { ...ROW, ResourceId: 'b', ResourceName: 'b', EffectiveCost: '3', PricingCategory: 'Standard' },
      { ...ROW, ResourceId: 'c', ResourceName: 'c', EffectiveCost: '2', PricingCategory: 'Committed' },
      {
        ...ROW,
        ResourceId: 'a/disk',
        ResourceName: 'a',
        ServiceCategory: 'Storage',
        SkuMeter: 'disk',
        SkuPriceDetails: '{"DiskType":"foam","DiskSpace":40}',
        PricingUnit: 'GiB-Hours',
        PricingQuantity: '960',
        EffectiveCost: '0.96',
      },
    ],
    { timeZone: 'Etc/UTC' },
  )
  const { plan, books } = planOfBill(lines, resources, MONTH, 'Etc/UTC')
  const [book] = books
  expect(book!.prices.north!.sizes.reed).toEqual({
    perHour: '0.2',
    terms: { commitment: { perHour: '0.2' } },
  })
  expect(plan.machines.map(({ systemDisk: { kind, roomGiB } }) => `${kind} ${roomGiB}`)).toEqual([
    'foam 40',
    'not-on-the-bill 1',
    'not-on-the-bill 1',
  ])
  const pricing = new PlanPricing({ plan, books, month: MONTH, reading: 'calendar' })
  expect(plan.machines.map((machine) => pricing.of(machine).ok)).toEqual([true, true, true])
  // What the bill does not say is marked, and not shown as known.
  expect(book!.assumed!.map(({ about }) => about)).toEqual(
    expect.arrayContaining(['list-vcpu', 'list-memory', 'list-of-terms']),
  )
})
