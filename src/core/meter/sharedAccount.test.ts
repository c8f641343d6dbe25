import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { poolUses } from './sharedAccount.ts'
import type { PricedMachine } from './planPricing.ts'
import { machineTotal } from './machineTotal.ts'
import { compare } from '../quantity/exact.ts'

const at = (text: string): number => Date.parse(text) / 1_000

const withAllowance = (allowance: Partial<NonNullable<PriceBook['freeAllowances']>[number]>): PriceBook => ({
  ...RULE_BOOK,
  freeAllowances: [{ id: 'pool', eligible: ['free'], until: '2027-12-31', ...allowance }],
})

/** Free and charged hours, and what is charged, of one meter. */
const hoursOf = ({ estimate }: PricedMachine, meter = 'compute') =>
  estimate.charges
    .filter((charge) => charge.meter === meter)
    .map(({ waived, pieces, ticksPerSecond, amount }) => [
      waived?.by ?? 'charged',
      pieces.ticks / ticksPerSecond / 3_600,
      trimDecimal(toDecimal(amount, 6)),
    ])

describe('a pool of free hours', () => {
  const never: Partial<Machine> = { size: 'free', off: 'running' }
  const office: Partial<Machine> = { size: 'free' }
  const pool = withAllowance({ hoursPerMonth: 600 })

  test('worked example 7: two machines use 600 h up by 19 March 18:00, of 974 h in all', () => {
    const [first, second] = pricedTogether([never, office], pool) as [PricedMachine, PricedMachine]
    // 18 days and 18 h of the one that never stops, 15 working days of the other.
    expect(hoursOf(first)).toEqual([
      ['allowance', 450, '0'],
      ['charged', 294, '5.88'],
    ])
    expect(hoursOf(second)).toEqual([
      ['allowance', 150, '0'],
      ['charged', 80, '1.6'],
    ])
    const waived = first.estimate.charges[0]!.waived
    expect(waived?.by === 'allowance' && waived.usedUpAt).toBe(at('2027-03-19T18:00Z'))
  })

  test('one machine alone keeps 370 h of it', () => {
    const [alone] = pricedTogether([office], pool) as [PricedMachine]
    expect(hoursOf(alone)).toEqual([['allowance', 230, '0']])
    expect(poolUses(alone.account.planned)[0]!.usedUpAt).toBeUndefined()
  })

  test('ends with its last day: 12 working days until the 16th', () => {
    const [machine] = pricedTogether(
      [office],
      withAllowance({ hoursPerMonth: 600, until: '2027-03-16' }),
    ) as [PricedMachine]
    expect(hoursOf(machine)).toEqual([
      ['allowance', 120, '0'],
      ['charged', 110, '2.2'],
    ])
  })

  test('in its last second who stands first in the plan is served first', () => {
    // Seven machines that never stop use seven seconds a second: 1 h is 514 seconds for each, and two left over.
    const oneHour = { ...pool, freeAllowances: [{ ...pool.freeAllowances![0]!, hoursPerMonth: 1 }] }
    const seven = pricedTogether(Array<Partial<Machine>>(7).fill(never), oneHour)
    const seconds = seven.map((each) => Math.round(Number(hoursOf(each)[0]![1]) * 3_600))
    expect(seconds).toEqual([515, 515, 514, 514, 514, 514, 514])
  })

  test('sizes and terms that it is not for take nothing', () => {
    const [first] = pricedTogether([office, { size: 'middle' }, { size: 'middle', terms: 'spot' }], pool) as [
      PricedMachine,
    ]
    expect(hoursOf(first)).toEqual([['allowance', 230, '0']])
  })

  test('in the 730-hour reading the pool is 600 of 730 hours', () => {
    const [machine] = pricedTogether([never], pool, { reading: '730-hours' }) as [PricedMachine]
    // 130 h × 0.02
    expect(hoursOf(machine)[1]![2]).toBe('2.6')
  })

  test('a choice is priced with the pool as the others leave it', () => {
    const both = pricedTogether([never, office], pool)
    const [alone] = pricedTogether([never, { size: 'middle' }], pool) as [PricedMachine]
    const { resolved, month } = alone
    // The second machine turned to the free size: the first one's cost is what it is with both on it.
    const second = pricedTogether([never, { size: 'middle' }], pool)[1]!
    const turned = {
      ...second.resolved,
      machine: { ...second.resolved.machine, size: 'free' },
      size: resolved.size,
    }
    const total = machineTotal(turned, month, second.account.planned)!
    expect(compare(total, both[1]!.estimate.total)).toBe(0)
  })
})

describe('free GiB', () => {
  const pool = withAllowance({ gibPerMonth: gib(64), eligible: [], eligibleKinds: ['gib'] })
  const disk = (roomGiB: number): Partial<Machine> => ({ systemDisk: { kind: 'gib', roomGiB: gib(roomGiB) } })

  test('100 GiB use 64 GiB-months up at 64 % of the month, then are charged', () => {
    const [machine] = pricedTogether([disk(100)], pool) as [PricedMachine]
    // 36 % of 100 × 0.077
    expect(hoursOf(machine, 'disk')).toEqual([
      ['allowance', 0.64 * 744, '0'],
      ['charged', 0.36 * 744, '2.772'],
    ])
  })

  test('two disks use it twice as fast', () => {
    const [first, second] = pricedTogether([disk(64), disk(64)], pool) as [PricedMachine, PricedMachine]
    expect([hoursOf(first, 'disk'), hoursOf(second, 'disk')]).toEqual(
      Array(2).fill([
        ['allowance', 372, '0'],
        ['charged', 372, '2.464'],
      ]),
    )
  })
})

test('bands of traffic are filled by the whole account, and each machine pays its share of every band', () => {
  const [first, second] = pricedTogether(
    [{ trafficOutGiB: gib(300) }, { trafficOutGiB: gib(100) }],
    RULE_BOOK,
  ) as [PricedMachine, PricedMachine]
  const traffic = ({ estimate }: PricedMachine) =>
    estimate.charges
      .filter(({ meter }) => meter === 'traffic')
      .map(({ units, amount }) => [toDecimal(units, 1), toDecimal(amount, 2)])
  // 400 GiB together: 100 free, 300 at 0.09; three quarters and one quarter of each.
  expect(traffic(first)).toEqual([
    ['75.0', '0.00'],
    ['225.0', '20.25'],
  ])
  expect(traffic(second)).toEqual([
    ['25.0', '0.00'],
    ['75.0', '6.75'],
  ])
})

test('if nothing is switched off, the pool is shared by machines that all never stop', () => {
  const pool = withAllowance({ hoursPerMonth: 600 })
  const [machine] = pricedTogether([{ size: 'free' }, { size: 'free' }], pool, { weeks: [OFFICE_WEEK] }) as [
    PricedMachine,
  ]
  // 744 − 300 = 444 h × 0.02, and the disk
  expect(toDecimal(machine.estimate.alwaysOn, 2)).toBe('18.74')
})
