import fc from 'fast-check'
import { expect, test } from 'vitest'
import { seconds } from '../quantity/units.ts'
import { isNeverOff, offIn, offStates, withOffBetween, withOffPlan, type OffPlan } from './offPlan.ts'
import { POWER_STATES } from './powerState.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const hours = (count: number) => seconds(count * 3_600)
const MIX: OffPlan = { off: 'hibernated', longGaps: [{ fromMinutes: 38 * 60, off: 'deallocated' }] }

test('a gap has the state of the longest step that it reaches', () => {
  expect([14, 37.99, 38, 400].map((count) => offIn(MIX, hours(count)))).toEqual([
    'hibernated', 'hibernated', 'deallocated', 'deallocated',
  ]) // prettier-ignore
  expect(offIn({ off: 'stopped' }, hours(400))).toBe('stopped')
})

test('says which states it has, and whether it is ever off', () => {
  expect(offStates(MIX)).toEqual(['hibernated', 'deallocated'])
  expect(isNeverOff({ off: 'running' })).toBe(true)
  expect(isNeverOff({ ...MIX, off: 'running' })).toBe(false)
})

test('one state for all gaps leaves no steps behind', () => {
  expect(withOffPlan({ ...MIX, size: 'small' }, { off: 'stopped' })).toEqual({
    off: 'stopped',
    size: 'small',
  })
})

test('a state between two lengths changes gaps of those lengths and no others', () => {
  const anyState = fc.constantFrom(...POWER_STATES)
  const anyPlan = fc
    .uniqueArray(fc.record({ fromMinutes: fc.integer({ min: 1, max: 40 }), off: anyState }), {
      maxLength: 5,
      selector: ({ fromMinutes }) => fromMinutes,
    })
    .map((gaps) => gaps.sort((a, b) => a.fromMinutes - b.fromMinutes))
  const from = fc.integer({ min: 0, max: 40 })
  const length = fc.oneof(fc.integer({ min: 1, max: 20 }), fc.constant(Infinity))
  fc.assert(
    fc.property(anyState, anyPlan, from, length, anyState, (off, gaps, first, long, state) => {
      const plan = { off, ...(gaps.length > 0 && { longGaps: gaps }) }
      const changed = withOffBetween(plan, first, first + long, state)
      for (let minutes = 0; minutes < 60; minutes += 1) {
        const at = seconds(minutes * 60)
        const isBetween = minutes >= first && minutes < first + long
        expect(offIn(changed, at)).toBe(isBetween ? state : offIn(plan, at))
      }
      const steps = [changed.off, ...(changed.longGaps ?? []).map((long) => long.off)]
      expect(steps.every((step, i) => step !== steps[i - 1])).toBe(true)
    }),
    randomRuns(500),
  )
})
