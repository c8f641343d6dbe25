import { valueOf } from '../../core/testing/valueOf.ts'
import { expect, test } from 'vitest'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import { parseDate } from '../../core/calendar/civil.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { chargesWithin } from '../../core/meter/chargesWithin.ts'
import { shownDays } from '../../core/ledger/shownDays.ts'
import { estimateMachine } from '../../core/meter/estimateMachine.ts'
import { add, compare, ZERO } from '../../core/quantity/exact.ts'
import { OFFICE_WEEK, resolved } from '../../core/testing/resolved.ts'
import { daySentence, dayNotes, staysOf } from './dayNotes.ts'

const day = parseDate('2027-03-19')!
const week = {
  ...OFFICE_WEEK,
  exceptions: [{ from: day, to: day, does: 'off' as const, name: 'Depot holiday' }],
}
const machine = resolved({ off: 'hibernated' }, week)
const estimate = valueOf(
  estimateMachine({ resolved: machine, month: billingMonth('2027-03' as YearMonth, 'Etc/UTC') }),
)
const days = shownDays(estimate, 'Europe/Lisbon')
const on = (date: string) => days.find((each) => each.day === parseDate(date))!

test('a holiday is named, a day on which clocks change has its length', () => {
  expect(dayNotes(on('2027-03-19'), week)).toEqual({ exceptions: ['Depot holiday'], length: undefined })
  expect(dayNotes(on('2027-03-28'), week)).toEqual({ exceptions: [], length: '23 h' })
  expect(dayNotes(on('2027-04-01'), week).length).toBe('1 h')
})

test('a day reads as a sentence', () => {
  expect(daySentence(on('2027-03-19'), 'EUR', dayNotes(on('2027-03-19'), week))).toMatch(
    /^Friday 19 March, € \d+\.\d\d, 0 h running, Depot holiday$/,
  )
})

test('phases of one power state are one stay', () => {
  const stays = staysOf(estimate.metered.timeline.segments)
  expect(stays.every(({ state }, i) => i === 0 || state !== stays[i - 1]!.state)).toBe(true)
  expect(new Set(stays.map(({ state }) => state))).toEqual(new Set(['running', 'hibernated']))
})

test('the charges of a day add up to the day, and those of all days to the month', () => {
  let month = ZERO
  for (const { span, machineTime, floor } of days) {
    let sum = ZERO
    for (const { amount } of chargesWithin(estimate, span)) sum = add(sum, amount)
    expect(compare(sum, add(machineTime, floor))).toBe(0)
    month = add(month, sum)
  }
  expect(compare(month, estimate.total)).toBe(0)
})
