import { describe, expect, test } from 'vitest'
import type { FreeAllowance, PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, ZERO } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { weekOf, windowsOn, WORKDAYS } from '../testing/weeks.ts'
import type { PricedMachine } from './planPricing.ts'
import { poolUses } from './sharedAccount.ts'

/** Sizes s and t at 1 an hour, disks at 1 a GiB. */
const withPools = (...freeAllowances: FreeAllowance[]): PriceBook => ({
  ...RULE_BOOK,
  freeAllowances,
  diskKinds: RULE_BOOK.diskKinds.map((kind) =>
    kind.room.by === 'gib' ? { ...kind, room: { ...kind.room, mostGiB: gib(1_000) } } : kind,
  ),
  prices: {
    east: {
      ...RULE_BOOK.prices.east!,
      sizes: { free: { perHour: '1' }, tenth: { perHour: '1' } },
      disks: { ...RULE_BOOK.prices.east!.disks, gib: { perGiBMonth: '1' } },
    },
  },
})

const until = '2099-12-31'
const OFFICE = weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00'))

const priced = (parts: readonly Partial<Machine>[], book: PriceBook): PricedMachine[] =>
  pricedTogether(parts, book, { weeks: [OFFICE] })

const chargedOf = ({ estimate }: PricedMachine, meter: string): string =>
  trimDecimal(
    toDecimal(
      estimate.charges.reduce(
        (sum, charge) => (charge.meter === meter ? add(sum, charge.amount) : sum),
        ZERO,
      ),
      12,
    ),
  )

const hoursOf = (machines: readonly PricedMachine[]): string[] =>
  machines.map((machine) => chargedOf(machine, 'compute'))

describe('several pools of an account', () => {
  test('a machine that the first serves leaves the next to others meanwhile', () => {
    const book = withPools(
      { id: 'p1', eligible: ['free'], hoursPerMonth: 10, until },
      { id: 'p2', eligible: ['free', 'tenth'], hoursPerMonth: 100, until },
    )
    // March 2027 has 23 working days of 10 h. On the first, x has p1 and y has 10 h of p2; both then share 90 h of it.
    expect(hoursOf(priced([{ size: 'free' }, { size: 'tenth' }], book))).toEqual(['175', '175'])
  })

  test('one that is over does not stand before the next', () => {
    const book = withPools(
      { id: 'trial', eligible: ['free'], hoursPerMonth: 100, until: '2026-12-31' },
      { id: 'always', eligible: ['free'], hoursPerMonth: 50, until },
    )
    // 744 − 50
    const [machine] = priced([{ size: 'free', off: 'running' }], book)
    expect(hoursOf([machine!])).toEqual(['694'])
    expect(machine!.estimate.charges[0]!.waived).toMatchObject({ id: 'always' })
  })

  test('one that ends within the month hands over, and each part says whose it is', () => {
    const book = withPools(
      { id: 'trial', eligible: ['free'], hoursPerMonth: 100, until: '2027-03-02' },
      { id: 'always', eligible: ['free'], hoursPerMonth: 50, until },
    )
    // Two days of the first, and 50 h of the next.
    const [machine] = priced([{ size: 'free', off: 'running' }], book)
    expect(
      machine!.estimate.charges
        .filter(({ meter }) => meter === 'compute')
        .map(({ waived, pieces }) => [waived?.by === 'allowance' ? waived.id : '', pieces.ticks / 3_600]),
    ).toEqual([
      ['trial', 48],
      ['always', 50],
      ['', 646],
    ])
  })

  test('hours and room of one pool are two capacities', () => {
    const both = { id: 'both', hoursPerMonth: 10, gibPerMonth: gib(100), until }
    const book = withPools({ ...both, eligible: ['free'], eligibleKinds: ['gib'] })
    const [machine] = priced(
      [{ size: 'free', off: 'running', systemDisk: { kind: 'gib', roomGiB: gib(400) } }],
      book,
    )
    // 744 − 10 hours, and 400 − 100 GiB.
    expect([chargedOf(machine!, 'compute'), chargedOf(machine!, 'disk')]).toEqual(['734', '300'])
    expect(poolUses(machine!.account.planned).map(({ of, machines }) => [of, machines])).toEqual([
      ['hours', ['machine-0']],
      ['room', ['machine-0']],
    ])
  })
})
