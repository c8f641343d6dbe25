import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { amountAt, unitsExact } from '../quantity/rate.ts'
import { seconds } from '../quantity/units.ts'
import { monthTimeline } from '../power/monthTimeline.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { chargedLength, chargedRuns, chargedTime } from './chargedRuns.ts'

const AT_ONCE = { leave: seconds(0), return: seconds(0) }
const BY_SECOND = { minimumSeconds: 60, incrementSeconds: 1 }
const BY_HOUR = { minimumSeconds: 0, incrementSeconds: 3_600 }

const charged = (
  week: WeekPlan,
  month: string,
  rule: { minimumSeconds: number; incrementSeconds: number },
) => {
  const timeline = monthTimeline(
    week,
    [{ from: seconds(0), off: 'deallocated', changes: AT_ONCE, charged: [] }],
    billingMonth(month as YearMonth, 'Etc/UTC'),
  )
  return chargedTime(
    chargedRuns(timeline, (phase) => phase === 'running', rule),
    rule,
  )
}

describe('charged seconds of a run', () => {
  test.each([
    [1, BY_SECOND, 60],
    [60, BY_SECOND, 60],
    [61, BY_SECOND, 61],
    [1, BY_HOUR, 3_600],
    [3_600, BY_HOUR, 3_600],
    [3_601, BY_HOUR, 7_200],
  ])('%i s are charged as %o', (length, rule, expected) => {
    expect(chargedLength(length, rule)).toBe(expected)
  })
})

describe('worked examples', () => {
  const kolkata = weekOf('Asia/Kolkata', windowsOn(WORKDAYS, '09:00-12:15', '13:30-17:30'))

  test('145 h in 40 runs, charged by the begun hour, are 160 h', () => {
    const time = charged(kolkata, '2027-02', BY_HOUR)
    expect([time.trueTime / 3_600, time.charged / 3_600, time.runs]).toEqual([145, 160, 40])
  })

  test('0.2067 an hour for 230 h by the second is 47.541; always on, 153.7848', () => {
    const rate = { text: '0.2067', value: parseDecimal('0.2067')!, per: 'hour', pointer: '' } as const
    const office = charged(weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00')), '2027-03', BY_SECOND)
    expect(toDecimal(amountAt(rate, unitsExact(1), office.charged, 3_600), 12)).toBe('47.541000000000')
    const always = charged(weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00')), '2027-03', BY_SECOND)
    expect(always.charged).toBe(744 * 3_600)
    expect(toDecimal(amountAt(rate, unitsExact(1), always.charged, 3_600), 12)).toBe('153.784800000000')
  })
})

describe('runs over the month’s end', () => {
  const night = weekOf('Etc/UTC', windowsOn([2], '22:30-02:15'))

  test('are split by their true seconds; what rounding adds belongs to the month in which they end', () => {
    // Wednesday 31 March 22:30 to 1 April 02:15: 1.5 h in March, 2.25 h in April, rounded up to 4 h in April.
    const march = charged(night, '2027-03', BY_HOUR)
    expect([march.trueTime / 3_600, march.charged / 3_600]).toEqual([4 * 3.75 + 1.5, 4 * 4 + 1.5])
    const april = charged(night, '2027-04', BY_HOUR)
    expect([april.trueTime / 3_600, april.charged / 3_600]).toEqual([2.25 + 4 * 3.75, 2.5 + 4 * 4])
  })

  test('a run that never ends is never rounded', () => {
    const always = charged(weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00')), '2027-03', BY_HOUR)
    expect([always.added, always.runs]).toEqual([0, 1])
  })
})
