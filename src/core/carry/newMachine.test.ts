import { describe, expect, test } from 'vitest'
import { fitReasons } from '../fit/fitReasons.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import { type Choice, applyChoice, choiceKey } from '../decisions/choice.ts'
import { newMachine } from './newMachine.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { gib } from '../quantity/units.ts'

describe('a machine to start from', () => {
  test.each([SMALL_BOOK, ...DEMO_BOOKS].map((book) => [book.provider.name, book] as const))(
    'fits in %s, and is off as cheaply as the provider has it',
    (_, book) => {
      const machine = newMachine(book, 'first', OFFICE_WEEK)!
      const found = resolveMachine(machine, { weeks: [OFFICE_WEEK] }, indexBook(book))
      expect(found.ok && fitReasons(found.value)).toEqual([])
      expect(machine.off).toBe(book.states.deallocated ? 'deallocated' : 'stopped')
    },
  )

  test('is none where nothing is sold', () => {
    const nothing = { ...SMALL_BOOK, prices: { east: { sizes: {}, disks: {}, addresses: {} } } }
    expect(newMachine(nothing, 'first', OFFICE_WEEK)).toBeUndefined()
  })
})

describe('what a machine’s names stand for', () => {
  test('every name that is not known is said, with some that are', () => {
    const lost = { ...SMALL_MACHINE, size: 'lost', zone: 'z', week: 'lost', terms: 'lost' }
    const found = resolveMachine(lost, { weeks: [OFFICE_WEEK] }, indexBook(SMALL_BOOK))
    expect(!found.ok && found.issues.map((issue) => issue.field)).toEqual([
      '/size',
      '/terms',
      '/week',
      '/zone',
    ])
    expect(!found.ok && found.issues[3]).toEqual({
      code: 'unknown-name',
      field: '/zone',
      found: 'z',
      known: ['a', 'b'],
    })
  })

  test('a size that a region does not sell, at all or on these terms, says on which it does', () => {
    const find = (part: Partial<Machine>) =>
      resolveMachine({ ...SMALL_MACHINE, ...part }, { weeks: [OFFICE_WEEK] }, indexBook(SMALL_BOOK))
    expect(find({ region: 'west', size: 'huge' })).toMatchObject({
      issues: [{ code: 'not-sold', found: 'huge', region: 'West', soldOn: [] }],
    })
    expect(find({ terms: 'year', size: 'huge' })).toMatchObject({
      issues: [{ code: 'not-sold', terms: 'One year', soldOn: ['On demand'] }],
    })
  })

  test('a withdrawn size names what took its place, however often that changed', () => {
    const book = { ...SMALL_BOOK, replacedSizes: { oldest: 'older', older: 'middle' } }
    const found = resolveMachine(
      { ...SMALL_MACHINE, size: 'oldest' },
      { weeks: [OFFICE_WEEK] },
      indexBook(book),
    )
    expect(found).toMatchObject({ issues: [{ code: 'unknown-name', field: '/size', replacedBy: 'middle' }] })
  })
})

test.each<[Choice, string]>([
  [{ decision: 'size', size: 'small' }, 'small'],
  [{ decision: 'place', provider: 'mill', region: 'west', zone: 'a' }, 'mill-west-a'],
  [{ decision: 'disk-kind', kind: 'gib' }, 'gib'],
  [{ decision: 'disk-room', roomGiB: gib(64) }, '64'],
  [{ decision: 'off', off: 'stopped' }, 'stopped'],
  [{ decision: 'week', week: { ...OFFICE_WEEK, id: 'other' } }, 'other'],
  [{ decision: 'terms', terms: 'year' }, 'year'],
  [{ decision: 'image', image: 'sealed', ownLicence: false }, 'sealed'],
  [{ decision: 'vcpu', chosen: { vcpu: 6, memoryGiB: gib(16) } }, '6'],
  [{ decision: 'memory', chosen: { vcpu: 4, memoryGiB: gib(24) } }, '24'],
  [{ decision: 'snapshots', scheme: { every: 'week', kept: 4 } }, 'week-4'],
  [{ decision: 'address', address: 'fixed' }, 'fixed'],
  [{ decision: 'traffic', trafficOutGiB: gib(250) }, '250'],
])('taking %o changes that alone', (choice, key) => {
  const { machine } = resolved()
  const changed = applyChoice(machine, choice)
  expect(choiceKey(choice)).toBe(key)
  expect(applyChoice(changed, choice)).toEqual(changed)
  const fields = new Set([...Object.keys(machine), ...Object.keys(changed)])
  const differing = [...fields].filter(
    (field) => JSON.stringify(changed[field as never]) !== JSON.stringify(machine[field as never]),
  )
  expect(differing).toHaveLength(1)
})

test('a data disk that is taken away moves the pins of those behind it up', () => {
  const { machine } = resolved()
  const disk = { kind: 'steps', roomGiB: gib(32) }
  const three = {
    ...machine,
    dataDisks: [disk, disk, disk],
    pinned: ['size', 'data-disk-1', 'data-disk-3'] as const,
  }
  const changed = applyChoice(three, { decision: 'data-disk', position: 1, disk: undefined })
  expect(changed.dataDisks).toHaveLength(2)
  expect(changed.pinned).toEqual(['size', 'data-disk-2'])
})

test('what was bought on top of a disk goes with its kind, and stays with its room', () => {
  const { machine } = resolved({
    systemDisk: { kind: 'steps', roomGiB: gib(64), extraIops: 500, goes: true },
  })
  const room = applyChoice(machine, { decision: 'disk-room', roomGiB: gib(128) })
  expect(room.systemDisk).toEqual({ kind: 'steps', roomGiB: 128, extraIops: 500, goes: true })
  const kind = applyChoice(machine, { decision: 'disk-kind', kind: 'gib' })
  expect(kind.systemDisk).toEqual({ kind: 'gib', roomGiB: 64, goes: true })
})

test('snapshots of all disks keep what each disk says of itself', () => {
  const snapshots = { every: 'day', kept: 7, changedPercent: 3, usedGiB: gib(20) } as const
  const { machine } = resolved({
    systemDisk: { kind: 'steps', roomGiB: gib(64), snapshots },
    dataDisks: [{ kind: 'steps', roomGiB: gib(32) }],
  })
  const weekly = applyChoice(machine, { decision: 'snapshots', scheme: { every: 'week', kept: 4 } })
  expect(weekly.systemDisk.snapshots).toEqual({ ...snapshots, every: 'week', kept: 4 })
  expect(weekly.dataDisks[0]?.snapshots).toEqual({ every: 'week', kept: 4, changedPercent: 10 })
  const none = applyChoice(weekly, { decision: 'snapshots', scheme: 'none' })
  expect(none.systemDisk.snapshots).toBeUndefined()
  expect(applyChoice(machine, { decision: 'snapshots', scheme: 'as-is' })).toBe(machine)
})
