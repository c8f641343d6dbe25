import { expect, test } from 'vitest'
import type { Needs } from '../machine/needs.ts'
import { platesOf } from '../notches/plates.ts'
import { closedByNeed } from '../notches/closedByNeed.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import type { FitReason } from './fitReason.ts'
import { needOf, needsAsked, withoutNeed, type NeedId } from './needId.ts'

const ALL: Needs = {
  vcpu: 4,
  memoryGiB: gib(16),
  iops: 3_000,
  megabytesPerSecond: 50,
  diskGiB: gib(100),
  accelerators: 1,
  image: 'any-linux',
  architecture: 'arm64',
  jurisdictions: ['EU'],
  usedFrom: ['Lisbon'],
  roundTripMs: 60,
  keeps: ['memory', 'address', 'local-disk', 'hardware'],
  backWithinSeconds: 60,
  apart: { group: 'web' },
}

test('each need can be left out by itself, and then nothing is left', () => {
  const asked = needsAsked(ALL)
  expect(asked).toHaveLength(19)
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

test('a need that says nothing is not asked for', () => {
  const nothing: Needs = {
    vcpu: 0,
    memoryGiB: gib(0),
    iops: 0,
    architecture: 'any',
    disks: 'any',
    interruption: 'any',
    data: 'any',
  }
  expect(needsAsked(nothing)).toEqual([])
  // what it has now it needs, until it may go
  expect(needsAsked({ vcpu: 0, memoryGiB: gib(0), iops: 0 })).toEqual([
    'disk-rooms',
    'architecture',
    'interruption',
    'data',
  ])
  // a round trip counts from somewhere
  expect(needsAsked({ ...nothing, roundTripMs: 60 })).toEqual([])
  expect(needsAsked({ ...nothing, roundTripMs: 60, usedFrom: [] })).toEqual([])
  expect(needsAsked({ ...nothing, jurisdictions: [], keeps: [] })).toEqual([])
  expect(withoutNeed(nothing, 'keep-memory').keeps).toEqual([])
})

test.each<[FitReason, NeedId | undefined]>([
  [{ code: 'too-few-vcpu', has: 2, needs: 4, by: 'needs' }, 'vcpu'],
  [{ code: 'too-few-vcpu', has: 2, needs: 4, by: 'image' }, undefined],
  [{ code: 'too-little-memory', has: gib(2), needs: gib(4), by: 'needs' }, 'memory'],
  [{ code: 'too-little-memory', has: gib(2), needs: gib(4), by: 'image' }, undefined],
  [{ code: 'too-few-iops', has: 500, needs: 600, limit: 'disk' }, 'iops'],
  [{ code: 'too-little-throughput', has: 50, needs: 60, limit: 'size' }, 'throughput'],
  [{ code: 'too-little-disk', has: gib(50), needs: gib(60) }, 'disk'],
  [{ code: 'too-few-accelerators', has: 0, needs: 1 }, 'accelerators'],
  [{ code: 'image-not-wanted', image: 'Free', needs: 'any-linux' }, 'image'],
  [{ code: 'architecture-not-wanted', has: 'x86-64', needs: 'arm64' }, 'architecture'],
  [{ code: 'jurisdiction-not-allowed', place: 'East', has: 'EU', allowed: ['CA'] }, 'jurisdictions'],
  [
    { code: 'too-far', place: 'East', from: 'Lisbon', milliseconds: 70, isMeasured: false, most: 60 },
    'round-trip',
  ],
  [{ code: 'shares-region', group: 'web', place: 'East', with: ['two'] }, 'apart'],
  [{ code: 'not-kept', what: 'memory', state: 'deallocated' }, 'keep-memory'],
  [{ code: 'taken-away', terms: 'Spot', interruption: 'often', by: 'keeps' }, 'keep-hardware'],
  [{ code: 'back-too-late', state: 'deallocated', seconds: 75, most: 60 }, 'back-within'],
  [{ code: 'no-own-disk', size: 'small' }, undefined],
])('the need behind %j is %j', (reason, need) => {
  expect(needOf(reason)).toBe(need)
})
