import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { windowsOn, WORKDAYS } from '../testing/weeks.ts'
import type { Weekday } from './civil.ts'
import { paintWindows, type Stroke } from './paintWindows.ts'
import { isWeekWindow, type WeekWindow } from './weekPlan.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const office = windowsOn(WORKDAYS, '08:00-18:00')

describe('painting a week', () => {
  test('painting the end of a window off shortens it', () => {
    const painted = paintWindows(office, { day: 4, from: 990, to: 1080, on: false })
    expect(painted.filter(({ day }) => day === 4)).toEqual([{ day: 4, from: 480, to: 990 }])
    expect(painted).toHaveLength(5)
  })

  test('painting next to a window of the same day makes it longer', () => {
    const painted = paintWindows(office, { day: 0, from: 1080, to: 1200, on: true })
    expect(painted[0]).toEqual({ day: 0, from: 480, to: 1200 })
  })

  test('a window from the evening before is cut on the morning it reaches into', () => {
    const sunday = windowsOn([6], '22:00-06:00')
    expect(paintWindows(sunday, { day: 0, from: 60, to: 120, on: false })).toEqual([
      { day: 0, from: 120, to: 360 },
      { day: 6, from: 1320, to: 1500 },
    ])
  })
})

/** One flag a minute of the week, the plainest way to say what is on. */
function flags(windows: readonly WeekWindow[]): boolean[] {
  const on = new Array<boolean>(10_080).fill(false)
  for (const { day, from, to } of windows)
    for (let i = from; i < to; i += 1) on[(day * 1440 + i) % 10_080] = true
  return on
}

const day = fc.integer({ min: 0, max: 6 }).map((value) => value as Weekday)
const anyWindow = fc
  .record({ day, from: fc.integer({ min: 0, max: 1439 }), length: fc.integer({ min: 1, max: 1440 }) })
  .map(({ day, from, length }): WeekWindow => ({ day, from, to: from + length }))
const anyStroke = fc
  .record({
    day,
    from: fc.integer({ min: 0, max: 1438 }),
    length: fc.integer({ min: 1, max: 1440 }),
    on: fc.boolean(),
  })
  .map(({ day, from, length, on }): Stroke => ({ day, from, to: Math.min(1440, from + length), on }))

test('changes the minutes of the stroke and no other', () => {
  fc.assert(
    fc.property(fc.array(anyWindow, { maxLength: 8 }), anyStroke, (windows, stroke) => {
      const painted = paintWindows(windows, stroke)
      const expected = flags(windows)
      expected.fill(stroke.on, stroke.day * 1440 + stroke.from, stroke.day * 1440 + stroke.to)
      expect(flags(painted)).toEqual(expected)
      expect(painted.every(isWeekWindow)).toBe(true)
    }),
    randomRuns(150),
  )
})
