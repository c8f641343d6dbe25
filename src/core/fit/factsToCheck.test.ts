import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Needs } from '../machine/needs.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { gib } from '../quantity/units.ts'
import { bareBook } from '../testing/bareBook.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { diskReach } from './diskReach.ts'
import { factsToCheck, type FactToCheck } from './factsToCheck.ts'
import type { FitReason } from './fitReason.ts'
import { fitReasons } from './fitReasons.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const BARE = bareBook(RULE_BOOK)
const LISBON = { name: 'Lisbon', latitude: 38.72, longitude: -9.14 }

function machineOf(book: PriceBook, part: Partial<Machine>, needs: Partial<Needs> = {}): ResolvedMachine {
  const machine = { ...SMALL_MACHINE, ...part, needs: { ...SMALL_MACHINE.needs, ...needs } }
  const outcome = resolveMachine(machine, { weeks: [OFFICE_WEEK], places: [LISBON] }, indexBook(book))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}

const dataDisk = { kind: 'gib', roomGiB: gib(50) }

const ASKED: [string, Partial<Needs>, Partial<Machine>, FactToCheck[]][] = [
  ['nothing', { iops: 0 }, {}, []],
  [
    'operations',
    { iops: 900 },
    {},
    [
      { code: 'size-iops', of: 'middle', needs: 900 },
      { code: 'disk-iops', of: 'Steps', needs: 900 },
    ],
  ],
  [
    'throughput',
    { iops: 0, megabytesPerSecond: 80 },
    {},
    [
      { code: 'size-throughput', of: 'middle', needs: 80 },
      { code: 'disk-throughput', of: 'Steps', needs: 80 },
    ],
  ],
  [
    'an architecture',
    { iops: 0, architecture: 'arm64' },
    {},
    [{ code: 'size-architecture', of: 'middle', asks: ['arm64'] }],
  ],
  [
    'where data may be',
    { iops: 0, jurisdictions: ['EU', 'UK'] },
    {},
    [{ code: 'jurisdiction', of: 'East', allowed: ['EU', 'UK'] }],
  ],
  [
    'nearness',
    { iops: 0, usedFrom: ['Lisbon'], roundTripMs: 40 },
    {},
    [{ code: 'distance', of: 'East', from: 'Lisbon', most: 40 }],
  ],
  ['more disks', { iops: 0 }, { dataDisks: [dataDisk] }, [{ code: 'most-disks', of: 'middle', has: 2 }]],
  [
    'hibernation',
    { iops: 0 },
    { off: 'hibernated' },
    [
      { code: 'size-hibernation', of: 'middle' },
      { code: 'image-hibernation', of: 'free' },
      { code: 'image-room', of: 'free' },
    ],
  ],
]

describe('what a price book does not say', () => {
  test.each(ASKED)('is to be checked where a machine asks for %s', (_, needs, part, expected) => {
    const resolved = machineOf(BARE, { size: 'middle', off: 'deallocated', ...part }, needs)
    const beside = factsToCheck(resolved).filter(({ code }) => code !== 'disk-kinds')
    expect(beside).toEqual(expected)
    expect(fitReasons(resolved)).toEqual([])
  })

  test('is to be checked of a size that may be built otherwise than the machine is now', () => {
    const held = { roomsGiB: [], architecture: 'arm64', mayBeTaken: false, keepsData: false } as const
    const factsOf = (needs: Partial<Needs>) =>
      factsToCheck({ ...machineOf(BARE, { size: 'middle' }, { iops: 0, ...needs }), held })
    const fact = { code: 'size-architecture', of: 'middle', asks: ['arm64'] }
    expect(factsOf({})).toContainEqual(fact)
    expect(factsOf({ architecture: 'any' })).not.toContainEqual(fact)
  })

  test('of the kinds that a size carries, only where there are several', () => {
    const kinds = BARE.diskKinds.filter(({ id }) => id === 'steps')
    const prices = Object.fromEntries(
      Object.entries(BARE.prices).map(([id, each]) => [id, { ...each, disks: { steps: each.disks.steps! } }]),
    )
    const codes = (book: PriceBook) => factsToCheck(machineOf(book, {}, { iops: 0 })).map(({ code }) => code)
    expect(codes(BARE)).toContain('disk-kinds')
    expect(codes({ ...BARE, diskKinds: kinds, prices })).not.toContain('disk-kinds')
  })

  test('is nothing where the book says everything', () => {
    const needs = {
      iops: 900,
      megabytesPerSecond: 80,
      jurisdictions: ['EU'],
      roundTripMs: 400,
      usedFrom: ['Lisbon'],
    }
    expect(factsToCheck(machineOf(RULE_BOOK, { off: 'hibernated', dataDisks: [dataDisk] }, needs))).toEqual(
      [],
    )
  })

  test('of performance is said to be not known, with what the disk gives at most where that is known', () => {
    expect(diskReach(machineOf(BARE, {})).iops).toEqual({ limit: 'not-known' })
    const halfKnown = { ...BARE, diskKinds: RULE_BOOK.diskKinds }
    // 128 GiB by steps: 100 + 20 x 128 IOPS.
    const disk = { kind: 'steps', roomGiB: gib(128) }
    expect(diskReach(machineOf(halfKnown, { systemDisk: disk })).iops).toEqual({
      given: 2_660,
      limit: 'not-known',
    })
  })
})

/** What speaks against a machine in a full book, and must be asked about in a bare one. */
const ASKED_INSTEAD: Partial<Record<FitReason['code'], readonly FactToCheck['code'][]>> = {
  'wrong-architecture': ['size-architecture', 'image-architectures'],
  'architecture-not-wanted': ['size-architecture'],
  'too-few-iops': ['size-iops', 'disk-iops'],
  'too-little-throughput': ['size-throughput', 'disk-throughput'],
  'too-many-disks': ['most-disks'],
  'disk-kind-not-carried': ['disk-kinds'],
  'no-hibernation': ['size-hibernation', 'image-hibernation'],
  'no-room-for-memory': ['image-room'],
  'jurisdiction-not-allowed': ['jurisdiction'],
  'too-far': ['distance'],
}

test('not knowing closes nothing that knowing leaves open, and what it leaves open is asked about', () => {
  const machines = fc.record({
    size: fc.constantFrom('small', 'middle', 'arm', 'huge'),
    image: fc.constantFrom('free', 'restless'),
    off: fc.constantFrom<Machine['off']>('deallocated', 'stopped', 'hibernated'),
    systemDisk: fc.record({
      kind: fc.constantFrom('steps', 'gib'),
      roomGiB: fc.constantFrom(32, 64, 100).map(gib),
    }),
    dataDisks: fc.array(fc.constant(dataDisk), { maxLength: 3 }),
  })
  const needs = fc.record({
    iops: fc.constantFrom(0, 2_500, 9_000),
    megabytesPerSecond: fc.constantFrom(0, 90, 400),
    architecture: fc.constantFrom('x86-64' as const, 'arm64' as const),
    jurisdictions: fc.constantFrom([], ['EU'], ['CA']),
    usedFrom: fc.constant(['Lisbon']),
    roundTripMs: fc.constantFrom(0, 5, 500),
  })
  fc.assert(
    fc.property(machines, needs, (part, asked) => {
      const known = fitReasons(machineOf(RULE_BOOK, part, asked))
      const bare = machineOf(BARE, part, asked)
      const left = fitReasons(bare)
      const codes = new Set(known.map(({ code }) => code))
      expect(left.filter(({ code }) => !codes.has(code))).toEqual([])
      const facts = new Set(factsToCheck(bare).map(({ code }) => code))
      for (const { code } of known.filter((reason) => !left.some((each) => each.code === reason.code))) {
        const instead = ASKED_INSTEAD[code]
        if (instead) expect(instead.some((fact) => facts.has(fact))).toBe(true)
        else expect(['image-too-large', 'too-few-vcpu', 'too-little-memory']).toContain(code)
      }
    }),
    randomRuns(400),
  )
})
