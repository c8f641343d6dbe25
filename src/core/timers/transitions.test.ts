import fc from 'fast-check'
import { expect, test } from 'vitest'
import { shutdownAfter } from '../calendar/autoShutdown.ts'
import { dayOf } from '../calendar/civil.ts'
import { instant, SECONDS_PER_DAY } from '../quantity/units.ts'
import { anyWeekIn } from '../testing/anyWeeks.ts'
import { shutdownsOf, walkMinutes } from '../testing/walkMinutes.ts'
import { transitionsOf } from './transitions.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const YEAR = 2027

test('each switch is where a walk through the minutes changes, and knows how long its gap is', () => {
  const steps = [30, 600, 2_280]
  fc.assert(
    fc.property(anyWeekIn(YEAR), fc.integer({ min: 1, max: 330 }), (week, day) => {
      const from = instant(dayOf(YEAR, 1, day) * SECONDS_PER_DAY)
      const days = 10
      const to = instant(from + days * SECONDS_PER_DAY)
      const margin = (week.autoShutdown?.off ? 15 : 3) * SECONDS_PER_DAY
      const on = walkMinutes(week, from - margin, to + margin)
      const shutdowns = new Set(shutdownsOf(week, from - margin - SECONDS_PER_DAY, to + margin))
      const expected: string[] = []
      const first = margin / 60
      for (let i = first; i < first + days * 1_440; i += 1) {
        if (on[i] === on[i - 1]) continue
        let length = 0
        if (on[i]) while (on[i - 1 - length] === false) length += 1
        else while (on[i + length] === false) length += 1
        const step = steps.findLast((minutes) => length >= minutes) ?? 0
        const began = from + ((on[i] ? i - length : i) - first) * 60
        const by = week.autoShutdown?.off && shutdowns.has(began) ? ' shutdown' : ''
        expected.push(`${from + (i - first) * 60} ${on[i] ? 'on' : 'off'} ${step}${by}`)
      }
      const found = transitionsOf(week, { from, to }, { steps })
      expect(
        found.map(
          ({ at, to: does, gapFrom, byShutdown }) =>
            `${at} ${does} ${gapFrom}${byShutdown ? ' shutdown' : ''}`,
        ),
      ).toEqual(expected)
      const net = transitionsOf(week, { from, to }, { safetyNet: true })
      const known = new Set(found.map(({ at }) => at))
      const extra = net.filter(({ at }) => !known.has(at))
      // The net adds every auto-shutdown that finds the machine off already, and nothing else.
      for (let at = shutdownAfter(week, instant(from - 1)); at !== undefined && at < to;) {
        const minute = (at - from) / 60 + first
        const isOff = on[Math.floor(minute)] === false && on[Math.ceil(minute) - 1] === false
        expect(extra.some((each) => each.at === at)).toBe(isOff)
        at = shutdownAfter(week, at)
      }
      expect(extra.every(({ to: does }) => does === 'off')).toBe(true)
    }),
    randomRuns(50),
  )
})
