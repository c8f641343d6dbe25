import { expect, test } from 'vitest'
import { datesText, readDates } from './exceptionText.ts'

test.each([
  ['2027-03-19', ['19 March 2027']],
  ['2027-12-24 to 2027-12-31', ['24 to 31 December 2027']],
  ['2027-12-24–2028-01-02; 2027-03-19', ['24 December 2027 to 2 January 2028', '19 March 2027']],
  ['2027-03-30 .. 2027-04-02', ['30 March to 2 April 2027']],
])('%j is read', (text, said) => {
  const read = readDates(text)
  expect(read.ok && read.dates.map(datesText)).toEqual(said)
})

test.each([
  ['', /Write a date/],
  ['Friday', /not a date/],
  ['2027-02-30', /not a date/],
  ['2027-01-01 to 2027-01-02 to 2027-01-03', /not a date/],
  ['2027-03-19 to 2027-03-18', /ends before/],
  ['2027-01-01 to 2028-06-01', /longer than 366/],
])('%j is refused', (text, problem) => {
  const read = readDates(text)
  expect(!read.ok && read.problem).toMatch(problem)
})
