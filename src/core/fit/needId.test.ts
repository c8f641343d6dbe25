import { expect, test } from 'vitest'
import type { Needs } from '../machine/needs.ts'
import { platesOf } from '../notches/plates.ts'
import { closedByNeed } from '../notches/closedByNeed.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { needsAsked, withoutNeed } from './needId.ts'

const ALL: Needs = {
  vcpu: 4,
  memoryGiB: gib(16),
  iops: 3_000,
  megabytesPerSecond: 50,
  diskGiB: gib(100),
  accelerators: 1,
  architecture: 'arm64',
  jurisdictions: ['EU'],
  usedFrom: ['Lisbon'],
  roundTripMs: 60,
  keeps: ['memory', 'address', 'local-disk', 'hardware'],
  backWithinSeconds: 60,
}

test('each need can be left out by itself, and then nothing is left', () => {
  const asked = needsAsked(ALL)
  expect(asked).toHaveLength(14)
  for (const id of asked) {
    expect(needsAsked(withoutNeed(ALL, id))).toEqual(asked.filter((other) => other !== id))
  }
  expect(needsAsked(asked.reduce(withoutNeed, ALL))).toEqual([])
})

test('a need counts the choices that it closes, whatever else closes them', () => {
  const needs = { vcpu: 3, memoryGiB: gib(16), iops: 0, jurisdictions: ['EU'] }
  const closed = closedByNeed(platesOf(plateInputs({ needs }, [SMALL_BOOK])))
  // small has too few of both; West's only zone is in CA
  expect(closed.get('vcpu')).toBe(1)
  expect(closed.get('memory')).toBe(1)
  expect(closed.get('jurisdictions')).toBe(1)
  expect(closed.get('iops')).toBeUndefined()
})
