import { expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { losses, type Loss } from './losses.ts'

const between = (now: Partial<Machine>, then: Partial<Machine>, book = SMALL_BOOK): Loss[] =>
  losses(resolved(now, OFFICE_WEEK, book), resolved(then, OFFICE_WEEK, book))
const disk = (part: Partial<Machine['systemDisk']>): Partial<Machine> => ({
  systemDisk: { ...SMALL_MACHINE.systemDisk, ...part },
})
const kept = (count: number) => disk({ snapshots: { every: 'day', kept: count, changedPercent: 5 } })

test.each<[string, Partial<Machine>, Partial<Machine>, Loss[]]>([
  ['the same form', {}, {}, []],
  [
    'a smaller size, with the disk operations that it carries',
    { size: 'middle', ...disk({ kind: 'gib', roomGiB: gib(100) }) },
    { size: 'small', ...disk({ kind: 'gib', roomGiB: gib(100) }) },
    [
      { kind: 'vcpu', from: 4, to: 2 },
      { kind: 'memory', from: gib(16), to: gib(8) },
      { kind: 'iops', from: 8_000, to: 4_000 },
    ],
  ],
  ['another architecture', {}, { size: 'arm' }, [{ kind: 'architecture', to: 'arm64' }]],
  [
    'less room, and what its operations go by',
    disk({ roomGiB: gib(128) }),
    disk({ roomGiB: gib(64) }),
    [
      { kind: 'room', position: 0, from: gib(128), to: gib(64) },
      { kind: 'iops', from: 2_660, to: 1_380 },
      { kind: 'throughput', from: 100, to: 74 },
    ],
  ],
  [
    'a state that keeps less, and is longer to leave',
    { off: 'stopped' },
    { off: 'deallocated' },
    [
      { kind: 'when-off', what: 'hardware' },
      { kind: 'return', from: 25, to: 75 },
    ] as Loss[],
  ],
  [
    'another region, that has no fixed addresses',
    { address: 'fixed' },
    { address: 'none', region: 'west' },
    [
      { kind: 'address', from: 'fixed', to: 'none' },
      { kind: 'moves', from: 'East', to: 'West', leaves: 'EU', copiesGiB: gib(128) },
    ],
  ],
  ['a commitment', {}, { terms: 'year' }, [{ kind: 'bound', months: 12 }]],
  ['fewer snapshots', kept(5), kept(2), [{ kind: 'snapshots' }]],
  [
    'a licence of one’s own',
    { image: 'sealed' },
    { image: 'sealed', ownLicence: true },
    [{ kind: 'own-licence' }],
  ],
])('what is lost by %s', (_, now, then, expected) => {
  // The machine would not be sold everywhere: only what it would have is asked about.
  const book = {
    ...SMALL_BOOK,
    prices: {
      ...SMALL_BOOK.prices,
      east: {
        ...SMALL_BOOK.prices['east']!,
        sizes: {
          ...SMALL_BOOK.prices['east']!.sizes,
          middle: { perHour: '0.2067', terms: { year: { perHour: '0.13' } } },
        },
      },
    },
  }
  expect(between(now, then, book)).toEqual(expected)
})

test('more of everything loses nothing, whichever way it is had', () => {
  expect(between({ off: 'deallocated', ...kept(1) }, { off: 'stopped', ...kept(3) })).toEqual([])
  expect(between({ size: 'small' }, { size: 'middle' })).toEqual([])
})

test('hardware that can be taken away is said with how often', () => {
  const spot = RULE_BOOK.terms.find(({ kind }) => kind === 'spot')!
  const sold = RULE_BOOK.regions.flatMap(({ id }) =>
    Object.entries(RULE_BOOK.prices[id]!.sizes)
      .filter(([, price]) => price.terms?.[spot.id])
      .map(([size]) => ({ region: id, size })),
  )[0]!
  const form = (terms: string): Partial<Machine> => ({
    ...sold,
    zone: RULE_BOOK.regions.find(({ id }) => id === sold.region)!.zones[0]!,
    image: RULE_BOOK.images[0]!.id,
    terms,
  })
  const found = between(form('on-demand'), form(spot.id), RULE_BOOK)
  expect(found).toContainEqual({ kind: 'interrupted', how: expect.stringMatching(/./) })
})
