import fc from 'fast-check'
import { expect, test } from 'vitest'
import { MINUTES_PER_DAY } from '../calendar/weekPlan.ts'
import { anyWeek } from '../testing/anyMachines.ts'
import { EVERY_DAY, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import type { OffPlan } from '../off/offPlan.ts'
import { weeklyOff } from './weeklyOff.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MIX: OffPlan = { off: 'hibernated', longGaps: [{ fromMinutes: 1_000, off: 'deallocated' }] }

test('nights in one state, the weekend in another, cut at midnights', () => {
  const parts = weeklyOff(windowsOn(WORKDAYS, '08:00-18:00'), MIX)
  const text = parts.map(({ day, from, to, off }) => `${day} ${from / 60}-${to / 60} ${off}`)
  expect(text.slice(0, 2)).toEqual(['0 18-24 hibernated', '1 0-8 hibernated'])
  expect(text.slice(-4)).toEqual([
    '4 18-24 deallocated', '5 0-24 deallocated', '6 0-24 deallocated', '0 0-8 deallocated',
  ]) // prettier-ignore
})

test('one state, or no window at all, is seven whole days', () => {
  const whole = EVERY_DAY.map((day) => ({ day, from: 0, to: MINUTES_PER_DAY }))
  const office = windowsOn(WORKDAYS, '08:00-18:00')
  expect(weeklyOff(office, { off: 'stopped' })).toEqual(whole.map((day) => ({ ...day, off: 'stopped' })))
  expect(weeklyOff([], MIX)).toEqual(whole.map((day) => ({ ...day, off: 'deallocated' })))
})

test('a shutdown with a state of its own marks the gaps that begin with it', () => {
  const late = [...windowsOn([0, 1], '08:00-22:00'), ...windowsOn([2], '20:00-02:00')]
  const shutdown = { minute: 22 * 60, days: [1, 2] as const, off: 'stopped' as const }
  const parts = weeklyOff(late, { off: 'hibernated' }, shutdown)
  const text = parts.map(({ day, from, to, off }) => `${day} ${from / 60}-${to / 60} ${off}`)
  // Monday ends without one, Tuesday with one, and Wednesday's falls into its window.
  expect(text.slice(0, 6)).toEqual([
    '0 22-24 hibernated', '1 0-8 hibernated', '1 22-24 stopped', '2 0-20 stopped', '3 2-24 stopped',
    '4 0-24 stopped',
  ]) // prettier-ignore
  expect(weeklyOff(late, { off: 'running' }, shutdown).every(({ off }) => off === 'running')).toBe(true)
})

test('a shutdown that ends a run over the end of the week marks the gap after it', () => {
  const overSunday = windowsOn([6], '20:00-06:00')
  const at = (minute: number, day: 0 | 6) => ({ minute, days: [day] as const, off: 'stopped' as const })
  const offOn = (shutdown: ReturnType<typeof at>): string[] => [
    ...new Set(weeklyOff(overSunday, { off: 'hibernated' }, shutdown).map(({ off }) => off)),
  ]
  // Within the run, on either side of midnight; with its end; and with its beginning, which it does not end.
  expect(offOn(at(22 * 60, 6))).toEqual(['stopped'])
  expect(offOn(at(3 * 60, 0))).toEqual(['stopped'])
  expect(offOn(at(6 * 60, 0))).toEqual(['stopped'])
  expect(offOn(at(20 * 60, 6))).toEqual(['hibernated'])
  expect(offOn(at(7 * 60, 0))).toEqual(['hibernated'])
})

test('windows that touch or lie within each other are one run', () => {
  const touching = [...windowsOn([0], '08:00-12:00'), ...windowsOn([0], '12:00-18:00')]
  const within = [...windowsOn([0], '08:00-18:00'), ...windowsOn([0], '09:00-10:00')]
  const whole = weeklyOff(windowsOn([0], '08:00-18:00'), MIX)
  expect(weeklyOff(touching, MIX)).toEqual(whole)
  expect(weeklyOff(within, MIX)).toEqual(whole)
  // The run began at eight, so that a shutdown at nine ends it, whichever window was the last.
  const shutdown = { minute: 9 * 60, days: [0] as const, off: 'stopped' as const }
  expect(weeklyOff(touching, MIX, shutdown)[0]?.off).toBe('stopped')
})

test('what is on and what is off fill the week, each minute once', () => {
  fc.assert(
    fc.property(anyWeek('one'), ({ windows }) => {
      fc.pre(windows.length > 0)
      const on = new Set<number>()
      for (const { day, from, to } of windows) {
        for (let minute = from; minute < to; minute += 1) on.add((day * MINUTES_PER_DAY + minute) % 10_080)
      }
      let off = 0
      let both = 0
      for (const part of weeklyOff(windows, MIX)) {
        for (let minute = part.from; minute < part.to; minute += 1) {
          off += 1
          if (on.has(part.day * MINUTES_PER_DAY + minute)) both += 1
        }
      }
      expect([on.size + off, both]).toEqual([7 * MINUTES_PER_DAY, 0])
    }),
    randomRuns(100),
  )
})
