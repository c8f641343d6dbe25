import { expect, test } from 'vitest'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { EVERY_DAY, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { nearWeeks } from './nearWeeks.ts'

test('an hour less, nine to five, and always stand beside the plan’s own weeks', () => {
  const near = nearWeeks(OFFICE_WEEK, [OFFICE_WEEK])
  expect(near.map(({ id }) => id)).toEqual(['week-hour-less', 'nine-to-five', 'always'])
  expect(near[0]?.windows).toEqual(windowsOn(WORKDAYS, '08:00-17:00'))
  expect(near[2]?.windows).toEqual(windowsOn(EVERY_DAY, '00:00-24:00'))
  expect(near.every(({ timeZone }) => timeZone === OFFICE_WEEK.timeZone)).toBe(true)
})

test('what the plan has by any name is not offered again, and ids are free', () => {
  const always = { ...OFFICE_WEEK, id: 'mine', windows: windowsOn(EVERY_DAY, '00:00-24:00') }
  const taken = { ...OFFICE_WEEK, id: 'nine-to-five', windows: windowsOn([0], '10:00-11:00') }
  const near = nearWeeks(OFFICE_WEEK, [OFFICE_WEEK, always, taken])
  expect(near.map(({ id }) => id)).toEqual(['week-hour-less', 'nine-to-five-2'])
})

test('a window of an hour is dropped where an hour is taken away', () => {
  const week = { ...OFFICE_WEEK, windows: windowsOn([0], '08:00-09:00', '10:00-12:00') }
  expect(nearWeeks(week, [week])[0]?.windows).toEqual(windowsOn([0], '10:00-11:00'))
  const short = { ...week, windows: windowsOn([0], '08:00-08:30') }
  expect(nearWeeks(short, [short]).map(({ id }) => id)).toEqual(['nine-to-five', 'always'])
})
