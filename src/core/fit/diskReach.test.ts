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
