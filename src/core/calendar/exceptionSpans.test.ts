import { describe, expect, test } from 'vitest'
import { lengthOf } from '../quantity/units.ts'
import { hours, inMonth, monthOf, utc } from '../testing/monthSpans.ts'
import { EVERY_DAY, weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { parseDate } from './civil.ts'
import { isWeekException, sortExceptions, type WeekException } from './weekException.ts'
import { weekSpans } from './weekSpans.ts'

describe('auto-shutdown', () => {
  const at = (clock: string, days = EVERY_DAY) => ({ minute: Number(clock.slice(0, 2)) * 60, days })

  test('ends what is on, and starts nothing', () => {
    const week = { ...weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-22:00')), autoShutdown: at('20:00') }
    expect(hours(inMonth(week, monthOf('2027-03')))).toBe(23 * 12)
    const release: WeekException = {
      from: parseDate('2027-03-06')!,
      to: parseDate('2027-03-07')!,
      does: 'on',
    }
    // A weekend that runs through does so for 48 hours, whatever the shutdown says.
    expect(hours(inMonth({ ...week, exceptions: [release] }, monthOf('2027-03')))).toBe(23 * 12 + 48)
  })

  test('on a date that runs through does nothing, and the last window goes on past midnight', () => {
    const saturday: WeekException = {
      from: parseDate('2027-03-06')!,
      to: parseDate('2027-03-06')!,
      does: 'on',
    }
    const nights = { ...weekOf('Etc/UTC', windowsOn([5], '22:00-06:00')), exceptions: [saturday] }
    const [span] = weekSpans({ ...nights, autoShutdown: at('23:00') }, monthOf('2027-03'))
    expect([utc(span!.from), utc(span!.to)]).toEqual(['2027-03-06T00:00', '2027-03-07T06:00'])
    // At its very end it ends what goes on.
    const [cut] = weekSpans({ ...nights, autoShutdown: at('00:00') }, monthOf('2027-03'))
    expect(utc(cut!.to)).toBe('2027-03-07T00:00')
  })

  test('cuts windows as they are written; starting early comes after', () => {
    const week = { ...weekOf('Etc/UTC', windowsOn([4], '18:00-06:00')), autoShutdown: at('18:00') }
    expect(hours(inMonth(week, monthOf('2027-03')))).toBe(48)
    expect(hours(inMonth({ ...week, startEarlyMinutes: 5 }, monthOf('2027-03')))).toBeCloseTo(48 + 4 / 12, 9)
  })

  test('is read on its own clock, on its own days', () => {
    const week = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'))
    const pune = { ...week, autoShutdown: { ...at('21:00', [0]), timeZone: 'Asia/Kolkata' } }
    // 15:30 in Lisbon on five Mondays, 16:30 after the change on the 28th.
    expect(hours(inMonth(pune, monthOf('2027-03')))).toBe(230 - 4 * 2.5 - 1.5)
  })

  test('at the very start of a window it leaves the window alone', () => {
    const week = { ...weekOf('Etc/UTC', windowsOn([0], '20:00-22:00')), autoShutdown: at('20:00') }
    expect(hours(inMonth(week, monthOf('2027-03')))).toBe(10)
  })
})

describe('exceptions', () => {
  const release: WeekException = {
    from: parseDate('2027-03-27')!,
    to: parseDate('2027-03-28')!,
    does: 'on',
    name: 'Release',
  }
  const office = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'))

  test('machines run through dates that are on, from midnight to midnight of their zone', () => {
    const spans = weekSpans({ ...office, exceptions: [release] }, monthOf('2027-03'))
    // 28 March has 23 hours.
    expect(spans.filter((span) => lengthOf(span) === 47 * 3_600)).toHaveLength(1)
    expect(utc(spans.find((span) => lengthOf(span) > 36_000)!.from)).toBe('2027-03-27T00:00')
  })

  test('a range that is off drops every window that starts in it, and on wins over off', () => {
    const from = parseDate('2027-03-01')!
    const to = parseDate('2027-03-31')!
    const shut: WeekException = { from, to, does: 'off' }
    expect(hours(inMonth({ ...office, exceptions: [shut] }, monthOf('2027-03', 'Europe/Lisbon')))).toBe(0)
    const both = { ...office, exceptions: [shut, release] }
    expect(hours(inMonth(both, monthOf('2027-03', 'Europe/Lisbon')))).toBe(47)
  })

  test('off has no effect on a date that is on: its windows over midnight stay', () => {
    const nights = weekOf('Etc/UTC', windowsOn([6], '22:00-06:00'))
    const shut: WeekException = { ...release, does: 'off' }
    const spans = weekSpans({ ...nights, exceptions: [shut, release] }, monthOf('2027-03'))
    expect(utc(spans.find(({ from }) => utc(from) === '2027-03-27T00:00')!.to)).toBe('2027-03-29T06:00')
  })

  test('are kept in order, the same dates once', () => {
    const again = { ...release, name: 'Again' }
    const before: WeekException = {
      from: parseDate('2027-01-01')!,
      to: parseDate('2027-01-01')!,
      does: 'off',
    }
    expect(sortExceptions([release, again, before])).toEqual([before, release])
    expect(isWeekException({ ...release, to: parseDate('2027-03-26')! })).toBe(false)
    expect(isWeekException({ ...release, to: parseDate('2028-03-26')! })).toBe(true)
    expect(isWeekException({ ...release, to: parseDate('2028-04-01')! })).toBe(false)
  })
})
