import { valueOf } from '../testing/valueOf.ts'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
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
