import { describe, expect, test } from 'vitest'
import { instant } from '../quantity/units.ts'
import { windowsOn, WORKDAYS } from '../testing/weeks.ts'
import { copyDay, presetWindows } from './weekPresets.ts'

const WINTER = instant(Date.UTC(2027, 1, 1) / 1000)
const SUMMER = instant(Date.UTC(2027, 6, 1) / 1000)
const split = { timeZone: 'Europe/Lisbon', besideZone: 'Asia/Kolkata' }

describe('presets', () => {
  test('two shifts are the office hours of both zones, as their clocks stand', () => {
    // Pune is five and a half hours ahead of Lisbon in winter, four and a half in summer.
    expect(presetWindows('two-shifts', split, WINTER)).toEqual(windowsOn(WORKDAYS, '03:30-17:00'))
    expect(presetWindows('two-shifts', split, SUMMER)).toEqual(windowsOn(WORKDAYS, '04:30-17:00'))
  })

  test('a shift that begins the evening before is on that day', () => {
    const far = { timeZone: 'America/Santiago', besideZone: 'Pacific/Auckland' }
    const windows = presetWindows('two-shifts', far, SUMMER)
    // Auckland’s Monday begins on Sunday in Santiago: 17:00 to 01:00.
    expect(windows.filter(({ day }) => day === 6)).toEqual([{ day: 6, from: 1020, to: 1440 }])
    expect(windows.filter(({ day }) => day === 0)[0]).toEqual({ day: 0, from: 0, to: 60 })
  })

  test('nights run over midnight, always has no gap, never has nothing', () => {
    expect(presetWindows('nights', split, WINTER)[4]).toEqual({ day: 4, from: 1320, to: 1800 })
    expect(presetWindows('always', split, WINTER)).toHaveLength(7)
    expect(presetWindows('never', split, WINTER)).toEqual([])
  })
})

test('a day is copied over other days, and what they had is gone', () => {
  const windows = [...windowsOn([0], '08:00-12:00', '13:00-18:00'), ...windowsOn([1, 6], '10:00-11:00')]
  expect(copyDay(windows, 0, [0, 1, 2])).toEqual([
    ...windowsOn([0, 1, 2], '08:00-12:00', '13:00-18:00'),
    ...windowsOn([6], '10:00-11:00'),
  ])
  expect(copyDay(windows, 3, [0, 1])).toEqual(windowsOn([6], '10:00-11:00'))
})
