import { expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { diskReach } from './diskReach.ts'

const reach = (part: Partial<Machine>) => diskReach(resolved(part, OFFICE_WEEK, RULE_BOOK))

test.each<[string, Partial<Machine>, object]>([
  ['128 GiB by steps: 100 + 20 × 128 of 5,000', {}, { given: 2_660, reached: 2_660, limit: 'room' }],
  [
    'the most that the kind gives',
    { systemDisk: { kind: 'steps', roomGiB: gib(256) } },
    { given: 5_000, reached: 5_000, limit: 'kind' },
  ],
  [
    'a kind whose figure no room changes',
    { systemDisk: { kind: 'bought', roomGiB: gib(50), extraIops: 1_000 } },
    { given: 4_000, reached: 4_000, limit: 'kind' },
  ],
  [
    'just what the size passes is not kept by it',
    { systemDisk: { kind: 'bought', roomGiB: gib(50), extraIops: 5_000 } },
    { given: 8_000, reached: 8_000, limit: 'kind' },
  ],
  [
    'what the size passes: 2,000 for each of 4 vCPU',
    { systemDisk: { kind: 'bought', roomGiB: gib(50), extraIops: 7_000 } },
    { given: 10_000, reached: 8_000, limit: 'size' },
  ],
])('IOPS of a disk: %s', (_, part, iops) => {
  expect(reach(part).disks[0]!.iops).toEqual(iops)
})

test('throughput has limits of its own, and disks together share those of the size', () => {
  const bought = { kind: 'bought', roomGiB: gib(50), extraMegabytesPerSecond: 100 }
  const { disks, iops, throughput } = reach({ systemDisk: bought, dataDisks: [bought, bought] })
  expect(disks.map((disk) => disk.throughput)).toEqual(
    Array(3).fill({ given: 200, reached: 100, limit: 'size' }),
  )
  expect(iops).toEqual({ given: 9_000, reached: 8_000, limit: 'size' })
  expect(throughput).toEqual({ given: 600, reached: 100, limit: 'size' })
})

test('room between steps reaches what the step gives', () => {
  const [disk] = reach({ systemDisk: { kind: 'steps', roomGiB: gib(130) } }).disks
  expect(disk).toMatchObject({ askedGiB: 130, chargedGiB: 256, iops: { reached: 5_000 } })
})

test('what holds one disk back holds back the machine that has no other', () => {
  const room = { kind: 'steps', roomGiB: gib(32) }
  expect(reach({ systemDisk: { kind: 'steps', roomGiB: gib(256) } }).iops.limit).toBe('kind')
  expect(reach({ systemDisk: room }).iops.limit).toBe('room')
  expect(reach({ systemDisk: { kind: 'steps', roomGiB: gib(256) }, dataDisks: [room] }).iops).toEqual({
    given: 5_740,
    reached: 5_740,
    limit: 'room',
  })
})

test('throughput bought on top does not count as reached by the kind', () => {
  const grows = {
    ...RULE_BOOK,
    diskKinds: RULE_BOOK.diskKinds.map((kind) =>
      kind.id === 'steps'
        ? { ...kind, megabytesPerSecond: { base: 10, perGiB: 0.25, most: 60, boughtMost: 100 } }
        : kind,
    ),
  }
  const disk = { kind: 'steps', roomGiB: gib(128), extraMegabytesPerSecond: 30 }
  const { throughput } = diskReach(resolved({ systemDisk: disk }, OFFICE_WEEK, grows))
  expect(throughput).toEqual({ given: 72, reached: 72, limit: 'room' })
})
