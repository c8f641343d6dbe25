import { valueOf } from '../testing/valueOf.ts'
import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, ZERO } from '../quantity/exact.ts'
import { gib, instant } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { MARCH, NEVER, PRINTED_MARCH, ruleLines } from '../testing/ruleLines.ts'
import { hardwareReads } from './chargeReads.ts'
import { computeCharges } from './computeCharges.ts'
import { estimateMachine } from './estimateMachine.ts'
import { machineTotal } from './machineTotal.ts'
import { meteredMonth } from './meteredMonth.ts'

const alwaysOn = { off: 'running' } as const

describe('each way of charging, reckoned by hand', () => {
  test.each<[string, Partial<Machine>, string[]]>([
    // 230 h × 0.2067; the 128 GiB disk is there in every case that does not say otherwise
    ['on demand', {}, ['Machine time: 47.541', 'System disk: 9.86']],
    ['spot: 230 h × 0.07', { terms: 'spot' }, ['Machine time: 16.1', 'System disk: 9.86']],
    [
      'a commitment is paid for all 744 h: 744 × 0.1302',
      { terms: 'year' },
      ['Commitment: 96.8688', 'System disk: 9.86'],
    ],
    [
      'part up front: 744 × 0.05, and 876 ÷ 12',
      { terms: 'year-part' },
      ['Commitment: 37.2', 'Commitment, share of what is paid up front: 73', 'System disk: 9.86'],
    ],
    [
      'all up front: 1,800 ÷ 36',
      { terms: 'years-all' },
      ['Commitment, share of what is paid up front: 50', 'System disk: 9.86'],
    ],
    [
      'vCPU and memory of free choice: 230 × (6 × 0.0275) and 230 × (20 × 0.0037)',
      { size: 'choice', chosen: { vcpu: 6, memoryGiB: gib(20) } },
      ['Machine time, vCPU: 37.95', 'Machine time, memory: 17.02', 'System disk: 9.86'],
    ],
    [
      'physical cores: 230 × (2 × 0.018) and 230 × (8 × 0.0016)',
      { size: 'cores' },
      ['Machine time, cores: 8.28', 'Machine time, memory: 2.944', 'System disk: 9.86'],
    ],
    [
      'a flat plan, stopped: charged in full up to its cap, 650 × 0.0132',
      { size: 'flat', terms: 'flat', off: 'stopped', systemDisk: { kind: 'own', roomGiB: gib(60) } },
      ['Machine time: 8.58', 'Machine time, beyond the cap: 0'],
    ],
    [
      'a flat plan, deleted when off: 230 × 0.0132',
      { size: 'flat', terms: 'flat', off: 'deleted', systemDisk: { kind: 'own', roomGiB: gib(60) } },
      ['Machine time: 3.036'],
    ],
    [
      'a price by the month, always on and for 230 of 744 h',
      { size: 'flat', terms: 'monthly', ...alwaysOn, systemDisk: { kind: 'own', roomGiB: gib(60) } },
      ['Machine time: 3.72'],
    ],
    [
      'a price by the month, deallocated in a table without machine time: there, and so charged',
      { size: 'flat', terms: 'monthly', systemDisk: { kind: 'own', roomGiB: gib(60) } },
      ['Machine time: 3.72'],
    ],
    [
      'a price by the month, deleted but for 230 of 744 h: 3.72 × 230 ÷ 744',
      { size: 'flat', terms: 'monthly', off: 'deleted', systemDisk: { kind: 'own', roomGiB: gib(60) } },
      ['Machine time: 1.15'],
    ],
    [
      'a rate by the second: 828,000 s × 0.0000574',
      { size: 'by-second' },
      ['Machine time: 47.5272', 'System disk: 9.86'],
    ],
    [
      'a licence for its least 4 vCPU: 230 × 4 × 0.023',
      { image: 'sealed', size: 'small' },
      ['Machine time: 23.782', 'Seal: 21.16', 'System disk: 9.86'],
    ],
    [
      'an own licence is not charged',
      { image: 'sealed', size: 'small', ownLicence: true },
      ['Machine time: 23.782', 'Seal, own licence: 0', 'System disk: 9.86'],
    ],
    [
      'a subscription: 230 × 4 × 0.01; an own licence does not take it away',
      { image: 'supported', ownLicence: true },
      ['Machine time: 47.541', 'Support: 9.2', 'System disk: 9.86'],
    ],
    [
      '50 GiB at 0.1, 2,000 IOPS at 0.005, 75 MB/s at 0.04, 2,500,000 operations at 0.0005 for 10,000',
      {
        systemDisk: {
          kind: 'bought',
          roomGiB: gib(50),
          extraIops: 2_000,
          extraMegabytesPerSecond: 75,
          operationsPerMonth: 2_500_000,
        },
      },
      [
        'Machine time: 47.541',
        'System disk: 5',
        'System disk, IOPS on top: 10',
        'System disk, MB/s on top: 3',
        'System disk, operations: 0.125',
      ],
    ],
    [
      'several disks: 130 GiB is charged as the step of 256',
      { dataDisks: [{ kind: 'steps', roomGiB: gib(130) }] },
      ['Machine time: 47.541', 'System disk: 9.86', 'Data disk 1: 19.12'],
    ],
    [
      '3 snapshots of 6 GiB of which 10 % change: 7.2 GiB × 0.05',
      {
        systemDisk: {
          kind: 'steps',
          roomGiB: gib(128),
          snapshots: { every: 'day', kept: 3, changedPercent: 10 },
        },
      },
      ['Machine time: 47.541', 'System disk: 9.86', 'System disk, snapshots: 0.36'],
    ],
    [
      'a memory image while hibernated: 16 × 0.05 × 514 ÷ 744',
      { off: 'hibernated' },
      ['Machine time: 47.541', 'System disk: 9.86', 'Memory kept on disk: 0.552688'],
    ],
    [
      'an address while on and while off: 230 × 0.0036 and 514 × 0.004',
      { address: 'fixed' },
      [
        'Machine time: 47.541',
        'System disk: 9.86',
        'Public address, while on: 0.828',
        'Public address, while off: 2.056',
      ],
    ],
    [
      '420 GiB out: 100 free, 320 at 0.09',
      { trafficOutGiB: gib(420) },
      [
        'Machine time: 47.541',
        'System disk: 9.86',
        'Traffic out, band 1 of 3: 0',
        'Traffic out, band 2 of 3: 28.8',
      ],
    ],
    [
      '1,250 GiB out of a size that includes 100: 100 free, 900 at 0.09, 150 at 0.05',
      {
        size: 'flat',
        terms: 'flat',
        ...alwaysOn,
        systemDisk: { kind: 'own', roomGiB: gib(60) },
        trafficOutGiB: gib(1_250),
      },
      [
        'Machine time: 8.58',
        'Machine time, beyond the cap: 0',
        'Traffic out, included: 0',
        'Traffic out, band 1 of 3: 0',
        'Traffic out, band 2 of 3: 81',
        'Traffic out, band 3 of 3: 7.5',
      ],
    ],
  ])('%s', (_, part, expected) => {
    expect(ruleLines(part)).toEqual(expected)
  })
})

describe('off by deletion', () => {
  const snapshots = { every: 'stop', kept: 1, changedPercent: 0 } as const
  const systemDisk = { kind: 'steps', roomGiB: gib(128), goes: true, snapshots } as const

  test('a disk that goes is there for 230 of 744 h; 23 times 6 GiB are brought back from a snapshot', () => {
    expect(ruleLines({ off: 'deleted', systemDisk })).toEqual([
      'Machine time: 47.541',
      'System disk: 3.048118', // 9.86 × 230 ÷ 744
      'System disk, snapshots: 0.3', // 6 GiB × 0.05
      'Restored from snapshots: 2.76', // 23 × 6 GiB × 0.02
    ])
  })

  test('what does not go with the machine is left over: a disk in full, an address at its unattached rate', () => {
    const left = ruleLines({
      off: 'deleted',
      systemDisk,
      dataDisks: [{ kind: 'steps', roomGiB: gib(32) }],
      address: 'fixed',
    })
    expect(left.slice(2)).toEqual([
      'Data disk 1: 2.62',
      'System disk, snapshots: 0.3',
      'Restored from snapshots: 2.76',
      'Public address, while on: 0.828',
      'Public address, unattached: 3.7008', // 514 × 0.0072
    ])
    const given = ruleLines({ off: 'deleted', systemDisk, address: 'fixed', addressGoes: true })
    expect(given.at(-1)).toBe('Public address, while on: 0.828')
  })
})

test('worked example 10: 500 h of 744 at 0.10 in three bands cost 22.32 + 20.088 + 4.02', () => {
  const book: PriceBook = {
    ...RULE_BOOK,
    billing: {
      ...RULE_BOOK.billing,
      longRunRebate: [
        { upToShare: '0.3', rateShare: '1' },
        { upToShare: '0.6', rateShare: '0.9' },
        { upToShare: '1', rateShare: '0.75' },
      ],
    },
  }
  const machine = resolved({ size: 'tenth' }, OFFICE_WEEK, book)
  const off = instant(MARCH.from + 500 * 3_600)
  const segments = [
    { phase: 'running', from: MARCH.from, to: off },
    { phase: 'deallocated', from: off, to: MARCH.to },
  ] as const
  const metered = meteredMonth({ month: MARCH, segments, on: [] }, book)
  const context = { index: machine.index, metered, month: MARCH, shared: undefined }
  const charges = valueOf(computeCharges(hardwareReads(machine), context))
  expect(charges.map(({ amount }) => trimDecimal(toDecimal(amount, 6)))).toEqual(['22.32', '20.088', '4.02'])
  const total = charges.reduce((sum, { amount }) => add(sum, amount), ZERO)
  expect(toDecimal(total, 3)).toBe('46.428')
})

describe('the month read as 730 hours', () => {
  test('an hourly rate always on is 730 times the rate; a monthly rate is the rate', () => {
    expect(ruleLines(alwaysOn, { month: PRINTED_MARCH })).toEqual([
      'Machine time: 150.891',
      'System disk: 9.86',
    ])
  })

  test('230 of 744 h count 230 × 730 ÷ 744 h; a cap of 650 h stays one', () => {
    expect(ruleLines({}, { month: PRINTED_MARCH })).toEqual(['Machine time: 46.646411', 'System disk: 9.86'])
    const own = { kind: 'own', roomGiB: gib(60) }
    expect(
      ruleLines({ size: 'flat', terms: 'flat', ...alwaysOn, systemDisk: own }, { month: PRINTED_MARCH }),
    ).toEqual(['Machine time: 8.58', 'Machine time, beyond the cap: 0'])
  })
})

test('bands of traffic end where they are written to end, in tenths too', () => {
  const trafficOut = [{ upToGiB: 0.1, perGiB: '1' }, { upToGiB: 0.3, perGiB: '2' }, { perGiB: '0.5' }]
  const book = {
    ...RULE_BOOK,
    prices: { ...RULE_BOOK.prices, east: { ...RULE_BOOK.prices.east!, trafficOut } },
  }
  const lines = ruleLines({ trafficOutGiB: gib(12.5) }, { book })
  // 0.1 at 1, 0.2 at 2, and 12.2 at 0.5
  expect(lines.slice(-3).map((line) => line.split(': ')[1])).toEqual(['0.1', '0.4', '6.1'])
})

test('a machine that is never on costs what is left: its disk', () => {
  expect(ruleLines({}, { week: NEVER })).toEqual(['Machine time: 0', 'System disk: 9.86'])
})

describe('a price that the book does not have is said, never left out of a figure', () => {
  const without = (part: Record<string, unknown>): PriceBook => ({
    ...RULE_BOOK,
    prices: { ...RULE_BOOK.prices, east: { ...RULE_BOOK.prices.east!, ...part } },
  })
  const snapshots = { every: 'day', kept: 1, changedPercent: 0 } as const

  test('a size that is not sold on the terms has no price, not a price of nothing', () => {
    const spot = resolved({ terms: 'spot' }, OFFICE_WEEK, RULE_BOOK)
    const small = { ...spot, size: spot.index.sizes.get('small')! }
    expect(estimateMachine({ resolved: small, month: MARCH })).toMatchObject({
      issues: [{ code: 'no-price', part: 'size' }],
    })
  })

  test.each<[string, Partial<Machine>, Record<string, unknown>]>([
    ['disk', {}, { disks: {} }],
    ['disk-performance', { systemDisk: { kind: 'steps', roomGiB: gib(128), extraIops: 5 } }, {}],
    [
      'snapshots',
      { systemDisk: { kind: 'steps', roomGiB: gib(128), snapshots } },
      { snapshotPerGiBMonth: undefined },
    ],
    ['address', { address: 'changing' }, {}],
    ['memory-image', { off: 'hibernated' }, { memoryImagePerGiBMonth: undefined }],
    ['traffic', { trafficOutGiB: gib(1) }, { trafficOut: undefined }],
  ])('%s', (part, machine, prices) => {
    const found = estimateMachine({ resolved: resolved(machine, OFFICE_WEEK, without(prices)), month: MARCH })
    expect(found).toMatchObject({ issues: [{ code: 'no-price', part }] })
    expect(machineTotal(resolved(machine, OFFICE_WEEK, without(prices)), MARCH)).toBeUndefined()
  })
})
