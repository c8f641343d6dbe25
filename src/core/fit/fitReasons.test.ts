import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import type { Decision } from '../machine/choice.ts'
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
    { code: 'address-not-sold-here', place: 'West' },
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
