import { expect, test } from 'vitest'
import type { Decision } from '../machine/decision.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { keptDecisions } from './keptDecisions.ts'

test.each<[Decision, Decision[]]>([
  ['new-disk', ['data-disk', 'new-disk']],
  ['data-disk', ['data-disk']],
  ['vcpu', ['size', 'vcpu']],
  ['memory', ['memory', 'size']],
  ['place', ['place']],
])('another choice of %s keeps what goes with it', (asked, kept) => {
  expect([...keptDecisions(SMALL_MACHINE, asked)].sort()).toEqual(kept)
})

test('what is pinned is kept; one pinned data disk keeps all', () => {
  const pinned = { ...SMALL_MACHINE, pinned: ['place', 'data-disk-2'] as const }
  expect([...keptDecisions(pinned, 'size')].sort()).toEqual(['data-disk', 'place', 'size'])
  expect([...keptDecisions(SMALL_MACHINE)]).toEqual([])
})
