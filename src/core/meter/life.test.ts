import { valueOf } from '../testing/valueOf.ts'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import { parseDate } from '../calendar/civil.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import type { OffState } from '../off/powerState.ts'
import { gib } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { chargeTitle } from '../../wording/charge.ts'
import { estimateMachine } from './estimateMachine.ts'

const OFFICE = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'))

function linesOf(part: Partial<Machine>, month: string): string[] {
  const estimate = valueOf(
    estimateMachine({
      resolved: resolved(part, OFFICE, RULE_BOOK),
      month: billingMonth(month as YearMonth, 'Etc/UTC'),
    }),
  )
  return estimate.charges
    .filter(({ amount }) => amount.n !== 0n)
    .map((charge) => `${chargeTitle(charge)}: ${trimDecimal(toDecimal(charge.amount, 6))}`)
}

const TWO_MONTHS = { firstDay: '2027-03-08', lastDay: '2027-04-16' } as const

test('before its first day it costs nothing, and in its first month its hours and its part of the month', () => {
  expect(linesOf(TWO_MONTHS, '2027-02')).toEqual([])
  // 18 days of 10 h at 0.2067, and 24 of 31 days of the disk's 9.86.
  expect(linesOf(TWO_MONTHS, '2027-03')).toEqual(['Machine time: 37.206', 'System disk: 7.633548'])
})

test('after its last day what is left behind goes on: disks that stay, and a fixed address', () => {
  const kept = { ...TWO_MONTHS, address: 'fixed' } as const
  // April: 12 days of 10 h; the address is held by nothing from 17 April 00:00 in Lisbon, an hour before UTC's.
  const april = linesOf(kept, '2027-04')
  expect(april[0]).toBe('Machine time: 24.804')
  expect(april).toContain('System disk: 9.86')
  expect(april.find((line) => line.startsWith('Public address, unattached'))).toBe(
    `Public address, unattached: ${trimDecimal(toDecimal({ n: 337n * 72n, d: 10_000n }, 6))}`,
  )
  expect(linesOf(kept, '2027-05')).toEqual(['System disk: 9.86', 'Public address, unattached: 5.3568'])
})

test('after its last day nothing is charged of what goes with it', () => {
  const systemDisk = { kind: 'steps', roomGiB: gib(128), goes: true } as const
  const gone = { ...TWO_MONTHS, systemDisk, address: 'fixed', addressGoes: true } as const
  expect(linesOf(gone, '2027-05')).toEqual([])
  expect(linesOf({ ...gone, off: 'running' }, '2027-05')).toEqual([])
})

test('always on is on for the days that it has', () => {
  const estimate = valueOf(
    estimateMachine({
      resolved: resolved({ ...TWO_MONTHS, off: 'running' }, OFFICE, RULE_BOOK),
      month: billingMonth('2027-03' as YearMonth, 'Etc/UTC'),
    }),
  )
  // 24 days of 24 h: Lisbon is on UTC on the 8th.
  expect(estimate.onTime).toBe(24 * 86_400)
  expect(estimate.alwaysOn).toEqual(estimate.total)
})

test('a commitment is paid from its first day on, and goes on after its last', () => {
  expect(linesOf({ ...TWO_MONTHS, terms: 'year' }, '2027-05')[0]).toBe('Commitment: 96.8688')
})

test('made for the first time it is restored from nothing', () => {
  const snapshots = { every: 'stop', kept: 1, changedPercent: 0 } as const
  const systemDisk = { kind: 'steps', roomGiB: gib(128), goes: true, snapshots } as const
  const { metered } = (() => {
    const estimate = valueOf(
      estimateMachine({
        resolved: resolved({ ...TWO_MONTHS, systemDisk, off: 'deleted' }, OFFICE, RULE_BOOK),
        month: billingMonth('2027-03' as YearMonth, 'Etc/UTC'),
      }),
    )
    return estimate
  })()
  expect(metered.creations.ticks).toBe(17)
})

test('what is always on, or never on and charged, has run since its first day, however it would go off', () => {
  const book: PriceBook = {
    ...RULE_BOOK,
    billingZone: 'Asia/Kolkata',
    billing: { ...RULE_BOOK.billing, incrementSeconds: 86_400 },
    prices: { east: { ...RULE_BOOK.prices.east!, sizes: { middle: { perHour: '1' } } } },
  }
  const week = weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-24:00'))
  const computeOf = (off: OffState, on = week): string => {
    const part = { off, firstDay: '2027-02-20', lastDay: '2027-03-10' }
    const { charges } = valueOf(
      estimateMachine({
        resolved: resolved(part, on, book),
        month: billingMonth('2027-03' as YearMonth, 'Asia/Kolkata'),
      }),
    )
    return trimDecimal(toDecimal(charges.find(({ meter }) => meter === 'compute')!.amount, 6))
  }
  // 19 whole days, of which 10 and 5.5 h lie in a March that begins at 28 February 18:30 UTC.
  expect([
    computeOf('running'),
    computeOf('deallocated'),
    computeOf('stopped', weekOf('Etc/UTC', [])),
  ]).toEqual(['245.5', '245.5', '245.5'])
})

test('a month in which it only goes off or comes back has no traffic and no operations', () => {
  const changing = { ...RULE_BOOK.states.deallocated!, leave: { seconds: 30 }, return: { seconds: 60 } }
  const book: PriceBook = { ...RULE_BOOK, states: { ...RULE_BOOK.states, deallocated: changing } }
  const operations = { kind: 'bought', roomGiB: gib(40), operationsPerMonth: 1_000_000 }
  const part = { off: 'deallocated', trafficOutGiB: gib(500), systemDisk: operations } as const
  // On until midnight before 1 March and again from 1 April: 30 s of going off are charged as running.
  const march = { from: parseDate('2027-03-01')!, to: parseDate('2027-03-31')!, does: 'off' } as const
  const week = { ...weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-24:00')), exceptions: [march] }
  const estimate = valueOf(
    estimateMachine({
      resolved: resolved(part, week, book),
      month: billingMonth('2027-03' as YearMonth, 'Etc/UTC'),
    }),
  )
  expect([...estimate.metered.phases]).toEqual([
    ['stopping', 30],
    ['deallocated', 744 * 3_600 - 30],
  ])
  expect(estimate.charges.map(({ subject }) => subject.of)).toEqual(['size', 'disk'])
})

test('made for the first time in a later month than its first day, it is restored from nothing then', () => {
  const snapshots = { every: 'stop', kept: 1, changedPercent: 0 } as const
  const systemDisk = { kind: 'steps', roomGiB: gib(128), goes: true, snapshots } as const
  const mondays = weekOf('Etc/UTC', windowsOn([0], '08:00-09:00'))
  const restoresIn = (month: string, firstDay: string): number =>
    valueOf(
      estimateMachine({
        resolved: resolved({ firstDay, systemDisk, off: 'deleted' }, mondays, RULE_BOOK),
        month: billingMonth(month as YearMonth, 'Etc/UTC'),
      }),
    ).metered.creations.ticks
  // Mondays of March: 1, 8, 15, 22, 29. The first of a machine that there is since Wednesday, 24 February, is new.
  expect(restoresIn('2027-03', '2027-02-24')).toBe(4)
  expect(restoresIn('2027-03', '2027-02-22')).toBe(5)
  expect(restoresIn('2027-04', '2027-02-24')).toBe(4)
})

test('a subscription is paid with a licence of one’s own, too', () => {
  const images = RULE_BOOK.images.map((image) =>
    image.id === 'sealed' ? { ...image, subscription: 'support' } : image,
  )
  const licences = RULE_BOOK.licences.map((licence) => ({ ...licence, ownLicence: true }))
  const [licence, subscription] = valueOf(
    estimateMachine({
      resolved: resolved({ image: 'sealed', ownLicence: true }, OFFICE, { ...RULE_BOOK, images, licences }),
      month: billingMonth('2027-03' as YearMonth, 'Etc/UTC'),
    }),
  ).charges.filter(({ meter }) => meter === 'licence')
  expect(licence!.waived).toEqual({ by: 'own-licence' })
  // 230 h of 4 vCPU at 0.01
  expect([subscription!.waived, toDecimal(subscription!.amount, 2)]).toEqual([undefined, '9.20'])
})
