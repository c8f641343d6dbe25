import { expect, test } from 'vitest'
import { parseDate } from '../calendar/civil.ts'
import type { WeekPlan, WeekWindow } from '../calendar/weekPlan.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { EVERY_DAY, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { nearWeeks, type NearKind } from './nearWeeks.ts'

const kinds = (week: WeekPlan, weeks: readonly WeekPlan[] = [week]): string[] =>
  nearWeeks(week, weeks).map(({ kind }) => kind)

const windowsOf = (week: WeekPlan, kind: NearKind): readonly WeekWindow[] | undefined =>
  nearWeeks(week, [week]).find((near) => near.kind === kind)?.week.windows

test('an hour less at either end, a day less, nine to five, and always stand beside the plan’s own weeks', () => {
  const near = nearWeeks(OFFICE_WEEK, [OFFICE_WEEK])
  expect(near.map(({ week }) => week.id)).toEqual([
    'week-hour-less', 'week-hour-later', 'week-day-less', 'nine-to-five', 'always',
  ]) // prettier-ignore
  expect(windowsOf(OFFICE_WEEK, 'hour-less')).toEqual(windowsOn(WORKDAYS, '08:00-17:00'))
  expect(windowsOf(OFFICE_WEEK, 'hour-later')).toEqual(windowsOn(WORKDAYS, '09:00-18:00'))
  expect(windowsOf(OFFICE_WEEK, 'day-less')).toEqual(windowsOn([0, 1, 2, 3], '08:00-18:00'))
  expect(windowsOf(OFFICE_WEEK, 'always')).toEqual(windowsOn(EVERY_DAY, '00:00-24:00'))
  expect(near.every(({ week }) => week.timeZone === OFFICE_WEEK.timeZone)).toBe(true)
})

test('what the plan has by any name is not offered again, and ids are free', () => {
  const always = { ...OFFICE_WEEK, id: 'mine', windows: windowsOn(EVERY_DAY, '00:00-24:00') }
  const taken = { ...OFFICE_WEEK, id: 'nine-to-five', windows: windowsOn([0], '10:00-11:00') }
  const near = nearWeeks(OFFICE_WEEK, [OFFICE_WEEK, always, taken])
  expect(near.map(({ week }) => week.id).slice(-1)).toEqual(['nine-to-five-2'])
  expect(near.map(({ kind }) => kind)).not.toContain('always')
})

test('a window of an hour is dropped where an hour is taken away', () => {
  const week = { ...OFFICE_WEEK, windows: windowsOn([0], '08:00-09:00', '10:00-12:00') }
  expect(windowsOf(week, 'hour-less')).toEqual(windowsOn([0], '10:00-11:00'))
  const short = { ...week, windows: windowsOn([0], '08:00-08:30') }
  expect(kinds(short)).toEqual(['nine-to-five', 'always'])
})

test('the windows of a day become one, a day long at most', () => {
  const lunch = { ...OFFICE_WEEK, windows: windowsOn([0, 1], '08:00-12:00', '13:00-18:00') }
  expect(windowsOf(lunch, 'merged')).toEqual(windowsOn([0, 1], '08:00-18:00'))
  expect(kinds(OFFICE_WEEK)).not.toContain('merged')
  const late = { ...OFFICE_WEEK, windows: windowsOn([2], '06:00-07:00', '20:00-12:00') }
  expect(windowsOf(late, 'merged')).toEqual(windowsOn([2], '06:00-06:00'))
})

test('the days off of another week come along, without those that are known', () => {
  const day = (text: string) => parseDate(text)!
  const off = (text: string) => ({ from: day(text), to: day(text), does: 'off' as const })
  const own = { ...OFFICE_WEEK, exceptions: [off('2027-03-19')] }
  const other = {
    ...OFFICE_WEEK,
    id: 'other',
    windows: windowsOn([0], '08:00-10:00'),
    exceptions: [off('2027-03-19'), off('2027-04-25'), { ...off('2027-05-01'), does: 'on' as const }],
  }
  const near = nearWeeks(own, [own, other]).find(({ kind }) => kind === 'holidays')
  expect(near?.week.exceptions).toEqual([off('2027-03-19'), off('2027-04-25')])
  expect(kinds(other, [own, other])).not.toContain('holidays')
})

test('weekend weeks lose the last of their days, and a single day stays', () => {
  const weekend = { ...OFFICE_WEEK, windows: windowsOn([5, 6], '08:00-10:00') }
  expect(windowsOf(weekend, 'day-less')).toEqual(windowsOn([5], '08:00-10:00'))
  expect(kinds({ ...OFFICE_WEEK, windows: windowsOn([4], '08:00-10:00') })).not.toContain('day-less')
})
