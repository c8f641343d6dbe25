import { expect, test } from 'vitest'
import { dateOrderOf, readDate, readDateRange } from './readDate.ts'

test.each([
  ['2027-03-01', '2027-03-01'],
  ['2027-03-01T00:00:00Z', '2027-03-01'],
  ['2027-03-01 00:00:00+00', '2027-03-01'],
  ['2027-03-01 00:00:00.000 +01:00', '2027-03-01'],
  ['2027/03/01', '2027-03-01'],
  ['2027/3/1', '2027-03-01'],
  ['20270301', '2027-03-01'],
  ['1.3.2027', '2027-03-01'],
  ['1.3.27', '2027-03-01'],
  ['1 March 2027', '2027-03-01'],
  ['1. März 2027', '2027-03-01'],
  ['1er mars 2027', '2027-03-01'],
  ['1 de marzo de 2027', '2027-03-01'],
  ['1 maart 2027', '2027-03-01'],
  ['01-Mar-2027', '2027-03-01'],
  ['1-Mar-27', '2027-03-01'],
  ['Mar 1, 2027', '2027-03-01'],
  ['31/03/2027', '2027-03-31'],
  ['03/31/2027', '2027-03-31'],
  ['3/31/2027 2:00 PM', '2027-03-31'],
  ['03/03/2027', '2027-03-03'],
  ['1803859200', '2027-03-01'],
  ['1803859200000', '2027-03-01'],
  ['01/03/2027', 'two-dates'],
  ['01-03-2027', 'two-dates'],
  ['2027-02-30', 'no-date'],
  ['29 February 2027', 'no-date'],
  ['29.2.2027', 'no-date'],
  ['31/02/2027', 'no-date'],
  ['32/01/2027', 'no-date'],
  ['0.2067', 'no-date'],
  ['1.3.4', 'no-date'],
  ['12', 'no-date'],
  ['spring', 'no-date'],
])('%s is %s', (text, expected) => {
  const read = readDate(text)
  expect(read.ok ? read.value : read.issues[0].code).toBe(expected)
})

test('the order of day and month is that of the column', () => {
  expect([readDate('01/03/2027', 'day-first'), readDate('01/03/2027', 'month-first')]).toMatchObject([
    { value: '2027-03-01' },
    { value: '2027-01-03' },
  ])
  expect(dateOrderOf(['01/03/2027', '13/03/2027'])).toEqual({ order: 'day-first', open: false })
  expect(dateOrderOf(['1/3/27 2:00 PM', '3/13/27 2:00 AM'])).toEqual({ order: 'month-first', open: false })
  expect(dateOrderOf(['01/03/2027', '02/02/2027'])).toEqual({ open: true })
  expect(dateOrderOf(['2027-03-01', '1.3.2027'])).toEqual({ open: false })
  expect(dateOrderOf(['13/03/2027', '03/13/2027', '01/02/2027'])).toEqual({ open: true })
})

test.each([
  ['2027-02-01 - 2027-02-28', ['2027-02-01', '2027-02-28']],
  ['1.2.2027–28.2.2027', ['2027-02-01', '2027-02-28']],
  ['1 Feb 2027 to 28 Feb 2027', ['2027-02-01', '2027-02-28']],
  ['2027-02-01', undefined],
  ['2027-02-01 - open', undefined],
])('%s is the range %j', (text, expected) => {
  const range = readDateRange(text)
  expect(range && [range.from, range.until]).toEqual(expected)
})
