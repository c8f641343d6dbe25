import { describe, expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import { DECISIONS, type Decision } from '../machine/decision.ts'
import type { Needs, UserPlace } from '../machine/needs.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { roundTrip } from '../machine/roundTrip.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import type { FitReason } from './fitReason.ts'
import { fitReasons } from './fitReasons.ts'

const LISBON: UserPlace = { name: 'Lisbon', latitude: 38.72, longitude: -9.14 }
const MEASURED: UserPlace = {
  ...LISBON,
  name: 'Pune',
  measured: [{ provider: 'mill', region: 'east', milliseconds: 131 }],
}

/** Every size carries every kind and sells spot, so that one reason comes at a time. */
const BOOK = {
  ...RULE_BOOK,
  sizes: RULE_BOOK.sizes.map((size) => ({ ...size, diskKinds: RULE_BOOK.diskKinds.map(({ id }) => id) })),
}

function machineWith(needs: Partial<Needs>, part: Partial<Machine> = {}) {
  const machine = { ...SMALL_MACHINE, ...part, needs: { ...SMALL_MACHINE.needs, ...needs } }
  const plan = { weeks: [OFFICE_WEEK], places: [LISBON, MEASURED] }
  const outcome = resolveMachine(machine, plan, indexBook(BOOK))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}

const CLOSED: [string, Partial<Needs>, Partial<Machine>, FitReason, Decision[]][] = [
  [
    'throughput of the size',
    { megabytesPerSecond: 150 },
    { dataDisks: [{ kind: 'steps', roomGiB: gib(128) }] },
    { code: 'too-little-throughput', has: 100, needs: 150, limit: 'size' },
    ['size'],
  ],
  [
    'throughput of the disks',
    { megabytesPerSecond: 80 },
    { systemDisk: { kind: 'steps', roomGiB: gib(64) } },
    { code: 'too-little-throughput', has: 74, needs: 80, limit: 'disk' },
    ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
  ],
  [
    'room on all disks',
    { diskGiB: gib(300) },
    { dataDisks: [{ kind: 'steps', roomGiB: gib(100) }] },
    { code: 'too-little-disk', has: gib(256), needs: gib(300) },
    ['disk-kind', 'disk-room', 'data-disk', 'new-disk'],
  ],
  ['accelerators', { accelerators: 1 }, {}, { code: 'too-few-accelerators', has: 0, needs: 1 }, ['size']],
  [
    'architecture',
    { architecture: 'arm64' },
    {},
    { code: 'architecture-not-wanted', has: 'x86-64', needs: 'arm64' },
    ['size'],
  ],
  [
    'jurisdiction',
    { jurisdictions: ['CA', 'JP'] },
    {},
    { code: 'jurisdiction-not-allowed', place: 'East', has: 'EU', allowed: ['CA', 'JP'] },
    ['place'],
  ],
  [
    'an estimated round trip',
    { usedFrom: ['Lisbon'], roundTripMs: 60 },
    {},
    { code: 'too-far', place: 'East', from: 'Lisbon', milliseconds: 70, isMeasured: false, most: 60 },
    ['place'],
  ],
  [
    'a measured round trip',
    { usedFrom: ['Pune'], roundTripMs: 100 },
    {},
    { code: 'too-far', place: 'East', from: 'Pune', milliseconds: 131, isMeasured: true, most: 100 },
    ['place'],
  ],
  [
    'memory that must survive',
    { keeps: ['memory'] },
    {},
    { code: 'not-kept', what: 'memory', state: 'deallocated' },
    ['off'],
  ],
  [
    'a local disk that must survive',
    { keeps: ['local-disk'] },
    { size: 'flat', terms: 'flat', off: 'hibernated', systemDisk: { kind: 'gib', roomGiB: gib(60) } },
    { code: 'not-kept', what: 'local-disk', state: 'hibernated' },
    ['size', 'off'],
  ],
  [
    'hardware that must be there again',
    { keeps: ['hardware'] },
    {},
    { code: 'not-kept', what: 'hardware', state: 'deallocated' },
    ['off'],
  ],
  [
    'hardware that may be taken away',
    { keeps: ['hardware'] },
    { terms: 'spot', off: 'running' },
    { code: 'taken-away', terms: 'Spot', interruption: 'often', by: 'keeps' },
    ['terms'],
  ],
]

describe('what is needed closes', () => {
  test.each(CLOSED)('%s', (_, needs, part, reason, decisions) => {
    const machine = machineWith(needs, part)
    expect(fitReasons(machine)).toEqual([reason])
    for (const decision of DECISIONS) {
      expect(fitReasons(machine, decision)).toEqual(decisions.includes(decision) ? [reason] : [])
    }
  })

  test('a return that takes too long, by the state', () => {
    const book = {
      ...BOOK,
      states: {
        ...BOOK.states,
        hibernated: { ...BOOK.states.hibernated!, return: { seconds: 20, secondsPerGiB: 1 } },
      },
    }
    const machine = {
      ...machineWith({ backWithinSeconds: 35 }, { off: 'hibernated' }),
      index: indexBook(book),
    }
    expect(fitReasons(machine, 'off')).toEqual([
      { code: 'back-too-late', state: 'hibernated', seconds: 36, most: 35 },
    ])
    expect(fitReasons({ ...machine, machine: { ...machine.machine, off: 'deallocated' } }, 'off')).toEqual([])
  })

  test('an address is kept if it is fixed, or the hardware is', () => {
    const reasons = (address: Machine['address'], off: Machine['off']) =>
      fitReasons(machineWith({ keeps: ['address'] }, { address, off }), 'off').map(({ code }) => code)
    expect(reasons('fixed', 'deallocated')).toEqual([])
    expect(reasons('changing', 'stopped')).toEqual([])
    expect(reasons('changing', 'deallocated')).toEqual(['not-kept'])
    expect(reasons('none', 'running')).toEqual(['not-kept'])
  })

  test('nothing where what is needed is there', () => {
    const needs: Partial<Needs> = {
      megabytesPerSecond: 100,
      diskGiB: gib(128),
      architecture: 'x86-64',
      jurisdictions: ['EU'],
      usedFrom: ['Lisbon', 'Pune'],
      roundTripMs: 150,
      keeps: ['memory', 'hardware', 'local-disk'],
      backWithinSeconds: 1,
    }
    expect(fitReasons(machineWith(needs, { off: 'running' }))).toEqual([])
  })

  test('several disks give what one of them does not', () => {
    const disk = { kind: 'steps', roomGiB: gib(128) }
    expect(fitReasons(machineWith({ iops: 5_000 })).map(({ code }) => code)).toEqual(['too-few-iops'])
    expect(fitReasons(machineWith({ iops: 5_000 }, { dataDisks: [disk] }))).toEqual([])
  })
})

describe('round trips', () => {
  const region = { ...BOOK.regions[0]!, latitude: 51.51, longitude: -0.13 }

  test('follow the great circle: Lisbon to London is some 1,585 km', () => {
    const { km, milliseconds, isMeasured } = roundTrip(LISBON, 'mill', { ...region, id: 'other' })!
    expect(Math.round(km! / 5) * 5).toBe(1_585)
    // 2 × 1,585 km × 1.5 ÷ 200 km a millisecond, and 4 for the ends of the line
    expect(milliseconds).toBe(28)
    expect(isMeasured).toBe(false)
  })

  test('are the same both ways, none to the place itself, and half the globe to the other side', () => {
    const here = { ...LISBON }
    const there = { ...region, latitude: -LISBON.latitude, longitude: 180 + LISBON.longitude }
    expect(roundTrip(here, 'mill', { ...region, ...here, name: 'East' })?.km).toBe(0)
    expect(Math.round(roundTrip(here, 'mill', there)!.km!)).toBe(20_015)
  })

  test('are as measured where someone measured, for that region alone', () => {
    expect(roundTrip(MEASURED, 'mill', region)).toMatchObject({ milliseconds: 131, isMeasured: true })
    expect(roundTrip(MEASURED, 'other', region)?.isMeasured).toBe(false)
  })
})

test('the state of an auto-shutdown must keep what the needs say, which another week could mend', () => {
  const week = {
    ...OFFICE_WEEK,
    autoShutdown: { minute: 1_080, days: [4] as const, off: 'deallocated' as const },
  }
  const reasonsIn = (part: Partial<Machine>, decision?: Decision) =>
    fitReasons({ ...machineWith({ keeps: ['hardware'] }, part), week }, decision)
  const reason = { code: 'not-kept', what: 'hardware', state: 'deallocated' }
  expect(reasonsIn({ off: 'stopped' })).toEqual([reason])
  expect(reasonsIn({ off: 'stopped' }, 'week')).toEqual([reason])
  expect(reasonsIn({ off: 'stopped' }, 'off')).toEqual([])
  // What is never off is left on, and what goes there by itself says it once.
  expect(reasonsIn({ off: 'running' })).toEqual([])
  expect(reasonsIn({ off: 'deallocated' }, 'week')).toEqual([])
})
