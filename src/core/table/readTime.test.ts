import { expect, test } from 'vitest'
import { zoneOffsets } from '../calendar/zoneOffsets.ts'
import { readTime } from './readTime.ts'

const LISBON = zoneOffsets('Europe/Lisbon')
const said = (text: string, order: 'day-first' | 'month-first' = 'day-first'): string => {
  const time = readTime(text, order, LISBON)
  const iso = (at: number): string => new Date(at * 1_000).toISOString().slice(0, 16)
  return time ? `${iso(time.at)} ${iso(time.ends)}` : 'none'
}

test.each([
  ['2027-03-01', '2027-03-01T00:00 2027-03-02T00:00'],
  // The clock goes forward on the 28th: that day has 23 hours, and the next begins an hour earlier in UTC.
  ['2027-03-28', '2027-03-28T00:00 2027-03-28T23:00'],
  ['20270329', '2027-03-28T23:00 2027-03-29T23:00'],
  ['1.3.2027', '2027-03-01T00:00 2027-03-02T00:00'],
  ['3/1/2027', '2027-01-03T00:00 2027-01-04T00:00'],
  ['2027-03', '2027-03-01T00:00 2027-03-31T23:00'],
  ['2027-12', '2027-12-01T00:00 2028-01-01T00:00'],
  ['2027-03-01 14:00', '2027-03-01T14:00 2027-03-01T15:00'],
  ['2027-07-01T14:00:00', '2027-07-01T13:00 2027-07-01T14:00'],
  ['2027-07-01T14:00:00Z', '2027-07-01T14:00 2027-07-01T15:00'],
  ['2027-07-01T14:00:00+02:00', '2027-07-01T12:00 2027-07-01T13:00'],
  ['31.12.2027 23:30', '2027-12-31T23:30 2028-01-01T00:30'],
  ['2027-03-01 00:00:00+00', '2027-03-01T00:00 2027-03-01T01:00'],
  ['2027-07-01 14:00:00+01', '2027-07-01T13:00 2027-07-01T14:00'],
  ['31/3/2027 2:00 PM', '2027-03-31T13:00 2027-03-31T14:00'],
  ['31/3/2027 12:30 am', '2027-03-30T23:30 2027-03-31T00:30'],
  ['1 March 2027', '2027-03-01T00:00 2027-03-02T00:00'],
  ['Mar 1, 2027', '2027-03-01T00:00 2027-03-02T00:00'],
  ['1.3.27', '2027-03-01T00:00 2027-03-02T00:00'],
  ['March 2027', '2027-03-01T00:00 2027-03-31T23:00'],
  ['1803859200', '2027-03-01T00:00 2027-03-01T01:00'],
  ['1803859200000', '2027-03-01T00:00 2027-03-01T01:00'],
  ['29 February 2027', 'none'],
  ['2027-03-01 13:00 PM', 'none'],
  ['31/02/2027', 'none'],
  ['2027-03-01 25:00', 'none'],
  ['yesterday', 'none'],
  ['', 'none'],
])('%s', (text, expected) => {
  expect(said(text)).toBe(expected)
})

test('the order of day and month is that of the bill, but with points the day is first', () => {
  expect(said('3/1/2027', 'month-first')).toBe('2027-03-01T00:00 2027-03-02T00:00')
  expect(said('3.1.2027', 'month-first')).toBe('2027-01-03T00:00 2027-01-04T00:00')
})
