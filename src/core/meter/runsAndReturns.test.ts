import { valueOf } from '../testing/valueOf.ts'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { subtract, ZERO } from '../quantity/exact.ts'
import { gib, instant, SECONDS_PER_DAY } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { meterMachine } from './meterMachine.ts'
import { chargesWithin } from './chargesWithin.ts'
import { estimateMachine } from './estimateMachine.ts'
import { hourByState } from './hourByState.ts'

const bookOf = (id: string): PriceBook => DEMO_BOOKS.find(({ provider }) => provider.id === id)!
const monthOf = (month: string, book: PriceBook) => billingMonth(month as YearMonth, book.billingZone)

function estimateOf(part: Partial<Machine>, week: WeekPlan, book: PriceBook, month: string) {
  const estimate = valueOf(
    estimateMachine({ resolved: resolved(part, week, book), month: monthOf(month, book) }),
  )
  return estimate
}

const ASHLAR: Partial<Machine> = {
  provider: 'plinthouse',
  region: 'gdynia',
  zone: 'a',
  size: 'ashlar-12-48',
  image: 'fellside-12',
  terms: 'by-the-month',
  systemDisk: { kind: 'bedding', roomGiB: gib(480) },
  off: 'deleted',
  longGaps: [{ fromMinutes: 900, off: 'stopped' }],
}

test('a run that goes through states which are charged is known from its beginning', () => {
  // Four runs of 6 d 16 h 40 min 20 s end in June, each rounded up by 1,180 s.
  const week = weekOf('America/St_Johns', windowsOn([3, 4], '11:00-03:40'))
  const { total } = estimateOf(ASHLAR, week, bookOf('plinthouse'), '2027-06')
  expect(toDecimal(total, 12)).toBe('70.526333333333')
})

test('a run that began months ago, through gaps that are charged, is rounded by its whole length', () => {
  // On for a minute each day at 12:00, stopped between, which is charged; deleted in the one gap that is longer.
  const days = windowsOn(EVERY_DAY, '12:00-12:01')
  const off = ['2027-01-02', '2027-01-03', '2027-06-20', '2027-06-21']
  const week = weekOf('Etc/UTC', days, off)
  const part = { ...ASHLAR, off: 'stopped', longGaps: [{ fromMinutes: 2_000, off: 'deleted' }] } as const
  const { compute, flat } = meterMachine(
    resolved(part, week, bookOf('plinthouse')),
    monthOf('2027-06', bookOf('plinthouse')),
  )
  // From 4 January 12:00 to 19 June 12:01 and the 20 s that deleting takes: 80 s over the hour.
  expect(compute.time.added).toBe(3_600 - 80)
  expect(flat.time).toEqual(compute.time)
})

test('a run that goes through gaps too short to go off in is known from its beginning', () => {
  const pattern = bookOf('plinthouse')
  // Deleting takes an hour, and no gap but a holiday's lasts longer.
  const deleted = { ...pattern.states.deleted!, leave: { seconds: 3_600 }, return: { seconds: 0 } }
  const book = { ...pattern, states: { ...pattern.states, deleted } }
  const days = windowsOn(EVERY_DAY, '00:00-23:30')
  const week = weekOf('Etc/UTC', days, ['2027-05-01', '2027-06-20'])
  const part = { ...ASHLAR, terms: 'flat', off: 'deleted', longGaps: [] } as const
  const { flat } = meterMachine(resolved(part, week, book), monthOf('2027-06', book))
  // From 2 May 00:00 to 20 June 00:30.
  expect(flat.time.added).toBe(1_800)
})

test('made anew at the very moment at which it has been deleted, it is restored all the same', () => {
  const pattern = bookOf('fennmark')
  const deleted = { ...pattern.states.deleted!, leave: { seconds: 60 } }
  const book = { ...pattern, states: { ...pattern.states, deleted } }
  const machine = {
    provider: 'fennmark',
    region: book.regions[0]!.id,
    zone: book.regions[0]!.zones[0]!,
    size: book.sizes[0]!.id,
    image: book.images[0]!.id,
    systemDisk: { kind: book.diskKinds[0]!.id, roomGiB: gib(64), goes: true },
    off: 'deleted',
  } as const
  const week = weekOf('Etc/UTC', [
    { day: 0, from: 540, to: 541 },
    { day: 0, from: 542, to: 600 },
  ])
  const metered = meterMachine(resolved(machine, week, book), monthOf('2027-03', book))
  expect([metered.creations.ticks, metered.starts]).toEqual([10, 10])
})

test('a start at the very moment at which it has been stopped is a start', () => {
  const stopped = { ...RULE_BOOK.states.stopped!, leave: { seconds: 60 } }
  const book = { ...RULE_BOOK, states: { ...RULE_BOOK.states, stopped } }
  const week = weekOf('Etc/UTC', windowsOn([0], '09:00-10:00', '10:01-11:00'))
  expect(meterMachine(resolved({ off: 'stopped' }, week, book), monthOf('2027-03', book)).starts).toBe(10)
})

test('a flat plan is charged in every hour in which there is a machine, whatever the state table says', () => {
  const flat = { size: 'flat', terms: 'flat', systemDisk: { kind: 'own', roomGiB: gib(60) } } as const
  const hours = hourByState(resolved(flat, undefined, RULE_BOOK), monthOf('2027-03', RULE_BOOK))
  const said = hours.map(({ state, byMeter, stillCharged }) => [
    state,
    toDecimal(byMeter.find(({ meter }) => meter === 'compute')?.amount ?? ZERO, 4),
    stillCharged,
  ])
  expect(said).toEqual([
    ['running', '0.0132', false],
    ['stopped', '0.0132', true],
    ['deallocated', '0.0132', true],
    ['hibernated', '0.0132', true],
    ['deleted', '0.0000', false],
  ])
})

const BUSY: Partial<Machine> = {
  trafficOutGiB: gib(420),
  systemDisk: { kind: 'bought', roomGiB: gib(50), operationsPerMonth: 2_500_000 },
}
const NEVER_ON = weekOf('Etc/UTC', [])

test('operations and traffic are expected of a month in which the machine runs, and of none without', () => {
  const office = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))
  const costs = (week: WeekPlan) => estimateOf(BUSY, week, RULE_BOOK, '2027-03').charges
  const expected = costs(office).filter(
    ({ meter, subject }) => meter === 'traffic' || subject.of === 'disk-operations',
  )
  expect(expected.map(({ amount }) => toDecimal(amount, 3))).toEqual(['0.125', '0.000', '28.800'])
  expect(costs(NEVER_ON).map(({ subject }) => subject.of)).toEqual(['size', 'disk'])
})

test('they are spread over the time that it runs: a day off carries none, days alike carry the same', () => {
  const office = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))
  const estimate = estimateOf(BUSY, office, RULE_BOOK, '2027-03')
  const onDay = (day: number) => {
    const from = instant(Date.UTC(2027, 2, day) / 1_000)
    const parts = chargesWithin(estimate, { from, to: instant(from + SECONDS_PER_DAY) })
    const spread = parts.filter(({ charge }) => charge.meter === 'traffic' && charge.amount.n > 0n)
    return spread.map(({ amount }) => subtract(amount, { n: 288n, d: 230n }).n)
  }
  // 28.80 over 23 days of work.
  expect(onDay(1)).toEqual([0n])
  expect(onDay(30)).toEqual([0n])
  expect(onDay(6)).toEqual([])
})

test('traffic of a machine that never runs in the month fills no band of the account', () => {
  const machines = [{ trafficOutGiB: gib(60) }, { trafficOutGiB: gib(60), week: 'never' }]
  const weeks = [weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00')), { ...NEVER_ON, id: 'never' }]
  const [sends, silent] = pricedTogether(machines, RULE_BOOK, { weeks }).map(({ estimate }) =>
    estimate.charges.filter(({ meter }) => meter === 'traffic').map(({ amount }) => toDecimal(amount, 2)),
  )
  // 60 GiB of 100 that are free; together they would be 120.
  expect([sends, silent]).toEqual([['0.00'], []])
})
