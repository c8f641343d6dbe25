import { describe, expect, test } from 'vitest'
import { readDay, writeDay } from './dayText.ts'

describe('a day’s times as text', () => {
  test.each([
    ['8-18', '08:00–18:00'],
    ['08:00–12:00, 13:00 to 17:30', '08:00–12:00, 13:00–17:30'],
    ['13-17; 8:15-12', '08:15–12:00, 13:00–17:00'],
    ['22:00-06:00', '22:00–06:00+1'],
    ['22-6:30+1', '22:00–06:30+1'],
    ['0-24', '00:00–24:00'],
    ['', ''],
  ])('%j is read as %j', (text, written) => {
    const read = readDay(text, 2)
    expect(read.ok && writeDay(read.windows, 2)).toBe(written)
  })

  test.each([
    ['8', /stretch of time/],
    ['8-25', /stretch of time/],
    ['8-12-14', /stretch of time/],
    ['eight to nine', /stretch of time/],
    ['24:00-25:00', /stretch of time/],
    ['24:00-6:00', /before 24:00/],
    ['8-12, 11-14', /11:00 begins before 12:00 ends/],
  ])('%j is refused', (text, problem) => {
    const read = readDay(text, 0)
    expect(!read.ok && read.problem).toMatch(problem)
  })
})
