import { expect, test } from 'vitest'
import type { Cluster } from './clusterNotches.ts'
import { slotAt } from './slotAt.ts'

const at = (x: number): Cluster => ({ key: String(x), x, notches: [], isPresent: false, open: true })
const slots = [at(20), at(46), at(120)]

test('the nearest slot within reach is the one that is pressed', () => {
  expect(slotAt(slots, 24, 13)?.key).toBe('20')
  expect(slotAt(slots, 34, 13)?.key).toBe('46')
  expect(slotAt(slots, 107, 13)?.key).toBe('120')
})

test('between slots, and on a plate without any, nothing is pressed', () => {
  expect(slotAt(slots, 90, 13)).toBeUndefined()
  expect(slotAt(slots, 6, 13)).toBeUndefined()
  expect(slotAt([], 20, 13)).toBeUndefined()
})
