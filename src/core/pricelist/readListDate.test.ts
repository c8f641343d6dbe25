import { expect, test } from 'vitest'
import { readListDate } from './readListDate.ts'

test.each([
  ['2027-03-01', '2027-03-01'],
  ['2027-03-01T00:00:00Z', '2027-03-01'],
  ['20270301', '2027-03-01'],
  ['1.3.2027', '2027-03-01'],
  ['31/03/2027', '2027-03-31'],
  ['03/31/2027', '2027-03-31'],
  ['03/03/2027', '2027-03-03'],
  ['01/03/2027', 'two-dates'],
  ['2027-02-30', 'no-date'],
  ['32/01/2027', 'no-date'],
  ['0.2067', 'no-date'],
  ['spring', 'no-date'],
])('%s is %s', (text, expected) => {
  const read = readListDate(text)
  expect(read.ok ? read.value : read.issues[0].code).toBe(expected)
})
