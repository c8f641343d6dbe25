import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { DECISIONS, type Decision } from '../machine/decision.ts'
import type { FitReason } from './fitReason.ts'
import { fitReasons } from './fitReasons.ts'

const needs = { vcpu: 2, memoryGiB: gib(8), iops: 0 }

const CASES: [string, Partial<Machine>, FitReason, Decision[]][] = [
  [
    'too few vCPU',
    { needs: { ...needs, vcpu: 6 } },
    { code: 'too-few-vcpu', has: 4, needs: 6, by: 'needs' },
    ['size'],
  ],
  [
    'too few vCPU for the image',
    { image: 'sealed', size: 'small' },
    { code: 'too-few-vcpu', has: 2, needs: 4, by: 'image' },
    ['size'],
  ],
  [
    'too little memory',
    { needs: { ...needs, memoryGiB: gib(32) } },
    { code: 'too-little-memory', has: gib(16), needs: gib(32), by: 'needs' },
    ['size'],
  ],
  [
    'the size allows too few IOPS',
    { needs: { ...needs, iops: 8_500 }, systemDisk: { kind: 'gib', roomGiB: gib(100) } },
    { code: 'too-few-iops', has: 8_000, needs: 8_500, limit: 'size' },
    ['size'],
  ],
  [
    'the disk gives too few IOPS',
    { needs: { ...needs, iops: 3_000 } },
    { code: 'too-few-iops', has: 2_660, needs: 3_000, limit: 'disk' },
    ['disk-kind', 'disk-room'],
  ],
  [
    'sold in another zone only',
    { size: 'rare', off: 'stopped' },
    { code: 'not-sold-here', size: 'rare', place: 'East a', soldIn: ['b'] },
    ['size', 'place'],
  ],
  [
    'a disk kind that the size cannot carry',
    { size: 'rare', zone: 'b', off: 'stopped', systemDisk: { kind: 'gib', roomGiB: gib(50) } },
    { code: 'disk-kind-not-carried', size: 'rare', kind: 'Gibs', carries: ['Steps'] },
    ['size', 'disk-kind'],
  ],
  [
    'a disk kind that the region does not sell',
    { region: 'west', systemDisk: { kind: 'gib', roomGiB: gib(50) } },
    { code: 'disk-kind-not-sold-here', kind: 'Gibs', place: 'West' },
    ['place', 'disk-kind'],
  ],
  [
    'a disk kind that does not boot',
    { systemDisk: { kind: 'data-only', roomGiB: gib(64) } },
    { code: 'disk-kind-does-not-boot', kind: 'Data only' },
    ['disk-kind'],
  ],
  [
    'more disks than the size carries',
    { dataDisks: [1, 2].map(() => ({ kind: 'steps', roomGiB: gib(32) })) },
    { code: 'too-many-disks', has: 3, most: 2 },
    ['size'],
  ],
  [
    'a room that the kind does not have',
    { systemDisk: { kind: 'steps', roomGiB: gib(300) } },
    { code: 'room-not-offered', kind: 'Steps', asked: gib(300), most: gib(256) },
    ['disk-kind', 'disk-room'],
  ],
  [
    'an address that the region does not sell',
    { region: 'west', address: 'fixed' },
    { code: 'address-not-sold-here', sort: 'fixed', place: 'West' },
    ['place'],
  ],
  [
    'the wrong architecture',
    { size: 'arm' },
    { code: 'wrong-architecture', image: 'free', has: 'arm64', needs: ['x86-64'] },
    ['size'],
  ],
  [
    'an image larger than the disk',
    { image: 'sealed', systemDisk: { kind: 'steps', roomGiB: gib(32) } },
    { code: 'image-too-large', image: 'sealed', has: gib(32), needs: gib(40) },
    ['disk-kind', 'disk-room'],
  ],
  [
    'a size that cannot hibernate',
    { size: 'rare', zone: 'b', off: 'hibernated' },
    { code: 'no-hibernation', by: 'size', name: 'rare' },
    ['size', 'off'],
  ],
  [
    'an image that cannot hibernate',
    { image: 'restless', off: 'hibernated' },
    { code: 'no-hibernation', by: 'image', name: 'restless' },
    ['off'],
  ],
  [
    'memory over the hibernation limit',
    { size: 'huge', off: 'hibernated', systemDisk: { kind: 'steps', roomGiB: gib(256) } },
    { code: 'over-hibernation-limit', memory: gib(128), most: gib(64) },
    ['size', 'off'],
  ],
  [
    'no room on the disk for the memory',
    { off: 'hibernated', systemDisk: { kind: 'gib', roomGiB: gib(20) } },
    { code: 'no-room-for-memory', room: gib(20), used: gib(6), memory: gib(16) },
    ['size', 'disk-room', 'off'],
  ],
]

describe('what closes a choice', () => {
  test.each(CASES)('%s', (_, part, reason, decisions) => {
    const machine = resolved(part)
    expect(fitReasons(machine)).toEqual([reason])
    for (const decision of ['size', 'place', 'disk-kind', 'disk-room', 'off', 'week'] as const) {
      expect(fitReasons(machine, decision)).toEqual(decisions.includes(decision) ? [reason] : [])
    }
  })

  test('a state that the provider does not have', () => {
    const machine = resolved()
    const { index } = machine
    const { running } = index.book.states
    const without = { ...machine, index: { ...index, book: { ...index.book, states: { running } } } }
    expect(fitReasons({ ...without, machine: { ...without.machine, off: 'stopped' } })).toEqual([
      { code: 'state-not-offered', state: 'stopped', provider: 'Mill' },
    ])
  })

  test('a machine that has all it needs fits', () => {
    expect(fitReasons(resolved())).toEqual([])
  })
})

describe('what closes a choice of a book with every rule', () => {
  const own = { kind: 'own', roomGiB: gib(60) }
  const flat = { size: 'flat', terms: 'flat', systemDisk: own } as const
  const CLOSED: [string, Partial<Machine>, FitReason, Decision[]][] = [
    [
      'its own disk would be lost',
      { ...flat, off: 'deallocated' },
      { code: 'own-disk-lost', kind: 'Own', state: 'deallocated' },
      ['disk-kind', 'off'],
    ],
    [
      'deleted with nothing to bring it back from',
      { off: 'deleted', systemDisk: { kind: 'steps', roomGiB: gib(128), goes: true } },
      { code: 'nothing-to-restore' },
      ['snapshots', 'off'],
    ],
    [
      'spot that cannot hibernate',
      { terms: 'spot', off: 'hibernated' },
      { code: 'no-hibernation', by: 'terms', name: 'Spot' },
      ['terms', 'off'],
    ],
    [
      'more IOPS on top than the kind sells',
      { systemDisk: { kind: 'steps', roomGiB: gib(128), extraIops: 100 } },
      { code: 'iops-not-sold', kind: 'Steps', asked: 100, most: 0 },
      ['disk-kind'],
    ],
    [
      'vCPU between the steps of a free choice',
      { size: 'choice', chosen: { vcpu: 3, memoryGiB: gib(20) } },
      {
        code: 'outside-choice',
        size: 'Choice 3/20',
        vcpu: { least: 2, most: 8, step: 2 },
        memoryGiB: { least: 2, most: 64, step: 1 },
      },
      ['size', 'vcpu', 'memory'],
    ],
  ]

  test.each(CLOSED)('%s', (_, part, reason, decisions) => {
    const machine = resolved(part, OFFICE_WEEK, ALL_KINDS)
    expect(fitReasons(machine)).toEqual([reason])
    for (const decision of DECISIONS) {
      expect(fitReasons(machine, decision)).toEqual(decisions.includes(decision) ? [reason] : [])
    }
  })

  test('a size that is not sold on the terms', () => {
    const spot = resolved({ terms: 'spot' }, OFFICE_WEEK, ALL_KINDS)
    const small = { ...spot, size: spot.index.sizes.get('small')! }
    const reason = { code: 'not-sold-on-terms', size: 'small', terms: 'Spot', place: 'East' }
    expect(fitReasons(small, 'size')).toEqual([reason])
    expect(fitReasons(small, 'off')).toEqual([])
  })

  test('a size without a disk of its own', () => {
    const machine = resolved({ systemDisk: own, off: 'stopped' }, OFFICE_WEEK, ALL_KINDS)
    expect(fitReasons(machine)).toEqual([{ code: 'no-own-disk', size: 'middle' }])
  })

  test('what is kept can be deleted: the disk itself, or a snapshot of it', () => {
    const snapshots = { every: 'stop', kept: 1, changedPercent: 0 } as const
    const goes = { kind: 'steps', roomGiB: gib(128), goes: true, snapshots }
    for (const systemDisk of [{ kind: 'steps', roomGiB: gib(128) }, goes]) {
      expect(fitReasons(resolved({ off: 'deleted', systemDisk }, OFFICE_WEEK, ALL_KINDS))).toEqual([])
    }
  })
})

/** Every size carries every kind, so that one reason comes at a time. */
const ALL_KINDS = {
  ...RULE_BOOK,
  sizes: RULE_BOOK.sizes.map((size) => ({ ...size, diskKinds: RULE_BOOK.diskKinds.map(({ id }) => id) })),
}
