import { describe, expect, test } from 'vitest'
import { resizeWindow } from '../../core/calendar/paintWindows.ts'
import { windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { clockChangeText } from './clockChangeText.ts'
import { paintPatch, patchBetween } from './usePaint.ts'

describe('a patch between two places of the week', () => {
  test('runs from the earlier day and quarter to the end of the later ones', () => {
    const patch = { fromDay: 1, toDay: 3, from: 480, to: 615 }
    expect(patchBetween({ day: 3, minute: 480 }, { day: 1, minute: 600 }, 15)).toEqual(patch)
    expect(patchBetween({ day: 1, minute: 600 }, { day: 3, minute: 480 }, 15)).toEqual(patch)
  })

  test('ends with the day', () => {
    expect(patchBetween({ day: 0, minute: 1425 }, { day: 0, minute: 1425 }, 60)).toMatchObject({
      from: 1425,
      to: 1440,
    })
  })

  test('is painted on every day it covers', () => {
    const painted = paintPatch([], { fromDay: 0, toDay: 4, from: 480, to: 1080 }, true)
    expect(painted).toEqual(windowsOn(WORKDAYS, '08:00-18:00'))
    expect(paintPatch(painted, { fromDay: 0, toDay: 6, from: 0, to: 1440 }, false)).toEqual([])
  })
})

describe('an end that is dragged', () => {
  const day = windowsOn([0], '08:00-12:00', '13:00-18:00')

  test('moves, and joins the neighbour it reaches', () => {
    expect(resizeWindow(day, day[0]!, { from: 480, to: 690 })[0]).toEqual({ day: 0, from: 480, to: 690 })
    expect(resizeWindow(day, day[0]!, { from: 480, to: 800 })).toEqual([{ day: 0, from: 480, to: 1080 }])
  })
})

describe('what the clocks do next', () => {
  test.each([
    ['Europe/Lisbon', '2027-03', 'clocks go forward on 28 March'],
    ['Europe/Lisbon', '2027-11', 'clocks go forward on 26 March 2028'],
    ['Australia/Lord_Howe', '2027-03', 'clocks go back by 30 min on 4 April'],
    ['Asia/Kolkata', '2027-03', 'no clock changes in the next twelve months'],
  ])('%s from %s: %s', (zone, month, text) => expect(clockChangeText(zone, month as YearMonth)).toBe(text))
})
