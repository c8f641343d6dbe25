import { expect, test } from 'vitest'
import { parseClockTime, readClockTime } from './clockTime.ts'

test.each([
  ['20', 1_200],
  ['8', 480],
  ['8.30', 510],
  [' 08:30 ', 510],
  ['24', 1_440],
  ['6+1', 1_800],
  ['6.15+1', 1_815],
  ['25', undefined],
  ['8.3', undefined],
  ['8.60', undefined],
  ['830', undefined],
  ['', undefined],
  ['noon', undefined],
])('%j is read as %s', (text, minutes) => expect(readClockTime(text)).toBe(minutes))

test('files keep to one form', () => {
  expect([parseClockTime('08:00'), parseClockTime('8'), parseClockTime('8.30')]).toEqual([
    480,
    undefined,
    undefined,
  ])
})
