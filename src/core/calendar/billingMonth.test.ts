import { describe, expect, test } from 'vitest'
import { lengthOf } from '../quantity/units.ts'
import { billingMonth, endOfDate, hourClock } from './billingMonth.ts'
import { localDays } from './localDays.ts'
import type { YearMonth } from './yearMonth.ts'

const hours = (month: string, zone: string): number =>
  lengthOf(billingMonth(month as YearMonth, zone)) / 3_600

describe('months of a billing zone', () => {
  test.each([
    ['2027-03', 'Etc/UTC', 744],
    ['2027-02', 'Etc/UTC', 672],
    ['2027-03', 'Europe/Warsaw', 743],
    ['2027-10', 'Europe/Warsaw', 745],
    ['2027-04', 'America/Santiago', 721],
    ['2027-04', 'Australia/Lord_Howe', 720.5],
  ])('%s in %s has %d h', (month, zone, length) => {
    expect(hours(month, zone)).toBe(length)
  })

  test('read as 730 hours a whole month is 730 rates an hour, whatever its length', () => {
    for (const zone of ['Etc/UTC', 'Europe/Warsaw', 'Australia/Lord_Howe']) {
      const month = billingMonth('2027-04' as YearMonth, zone, '730-hours')
      const { ticksPerSecond, ticksPerHour } = hourClock(month)
      expect((lengthOf(month) * ticksPerSecond) / ticksPerHour).toBe(730)
      expect(Number.isSafeInteger(lengthOf(month) * ticksPerSecond)).toBe(true)
    }
    expect(hourClock(billingMonth('2027-04' as YearMonth, 'Etc/UTC'))).toEqual({
      ticksPerSecond: 1,
      ticksPerHour: 3_600,
    })
  })

  test('a date is over at its local midnight', () => {
    expect(endOfDate('2027-03-27', 'Europe/Lisbon')).toBe(Date.parse('2027-03-28T00:00Z') / 1_000)
    expect(endOfDate('2027-03-28', 'Europe/Lisbon')).toBe(Date.parse('2027-03-28T23:00Z') / 1_000)
    expect(() => endOfDate('soon', 'Etc/UTC')).toThrow(RangeError)
  })
})

test('local days cover a month without gap or overlap', () => {
  for (const zone of ['Europe/Lisbon', 'Asia/Kolkata', 'America/Halifax', 'Pacific/Kiritimati']) {
    const month = billingMonth('2027-03' as YearMonth, 'Europe/Warsaw')
    const days = localDays(month, zone)
    expect([days[0]!.span.from, days.at(-1)!.span.to]).toEqual([month.from, month.to])
    days.slice(1).forEach(({ day, span }, i) => {
      expect(span.from).toBe(days[i]!.span.to)
      expect(day).toBe(days[i]!.day + 1)
    })
  }
})
