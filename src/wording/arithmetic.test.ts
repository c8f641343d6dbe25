import { describe, expect, test } from 'vitest'
import type { Machine } from '../core/machine/plan.ts'
import type { Charge } from '../core/meter/charge.ts'
import { gib } from '../core/quantity/units.ts'
import { RULE_BOOK } from '../core/testing/ruleBook.ts'
import { pricedTogether } from '../core/testing/smallPlan.ts'
import { chargeArithmetic, chargeRules } from './arithmetic.ts'
import { chargeDetail, chargeRounding, chargeTitle } from './charge.ts'

const REBATE = {
  ...RULE_BOOK,
  billing: {
    ...RULE_BOOK.billing,
    minimumSeconds: 60,
    longRunRebate: [
      { upToShare: '0.25', rateShare: '1' },
      { upToShare: '1', rateShare: '0.9' },
    ],
  },
  freeAllowances: [
    { id: 'pool', name: 'Free hours', hoursPerMonth: 100, eligible: ['free'], until: '2027-12-31' },
  ],
}

function charge(
  title: string,
  part: Partial<Machine>,
  reading: 'calendar' | '730-hours' = 'calendar',
): Charge {
  const [priced] = pricedTogether([part], REBATE, { reading })
  const found = priced!.estimate.charges.find((each) => chargeTitle(each) === title)
  if (!found) throw new Error(`no ${title} in ${priced!.estimate.charges.map(chargeTitle).join('; ')}`)
  return found
}

const own = { kind: 'own', roomGiB: gib(60) }
const bought = {
  kind: 'bought',
  roomGiB: gib(50),
  extraIops: 2_000,
  operationsPerMonth: 2_500_000,
  snapshots: { every: 'day', kept: 3, changedPercent: 10 },
} as const

describe('a charge opens to its arithmetic and its rules', () => {
  test.each<[string, Partial<Machine>, string, string[]]>([
    [
      'Machine time, band 1 of 2',
      {},
      '669,600 s × 0.2067 an hour ÷ 3,600 s = 38.4462',
      ['Band 1 of 2: from 0 % to 25 % of the month, at 100 % of the rate.'],
    ],
    [
      'Machine time, band 2 of 2',
      {},
      '158,400 s × 0.2067 an hour ÷ 3,600 s × 0.9 = 8.18532',
      ['Band 2 of 2: from 25 % to 100 % of the month, at 90 % of the rate.'],
    ],
    [
      'Machine time, free allowance',
      { size: 'free' },
      '360,000 s × 0.02 an hour ÷ 3,600 s would be 2; nothing is charged',
      ['Free by the allowance “Free hours”, which is used up on 12 March, 18:00 in Europe/Lisbon.'],
    ],
    [
      'Commitment',
      { terms: 'year' },
      '2,678,400 s × 0.1302 an hour ÷ 3,600 s = 96.8688',
      ['Paid for every hour of the month, whether the machine runs or not.'],
    ],
    [
      'Commitment, share of what is paid up front',
      { terms: 'year-part' },
      '876 ÷ 12 months = 73',
      ['Paid once for 12 months; each month carries an equal part.'],
    ],
    [
      'Machine time, beyond the cap',
      { size: 'flat', terms: 'flat', off: 'stopped', systemDisk: own },
      '338,400 s × 0.0132 an hour ÷ 3,600 s would be 1.2408; nothing is charged',
      ['After 650 charged hours in a month the flat plan charges nothing more.'],
    ],
    [
      'Seal, own licence',
      { image: 'sealed', size: 'small', ownLicence: true },
      '828,000 s × 0.023 an hour × 4 vCPU ÷ 3,600 s would be 21.16; nothing is charged',
      [
        'Charged for 4 vCPU, as long as the licence is.',
        'An own licence is brought along, so this one is not charged.',
      ],
    ],
    [
      'System disk',
      { systemDisk: { kind: 'steps', roomGiB: gib(130) } },
      '19.12 a month = 19.12',
      ['Sold by steps: 130 GiB are charged as the next step, 256 GiB.'],
    ],
    ['System disk', { systemDisk: bought }, '0.1 a month × 50 GiB = 5', []],
    ['System disk, IOPS on top', { systemDisk: bought }, '0.005 a month × 2,000 IOPS = 10', []],
    ['System disk, operations', { systemDisk: bought }, '2,500,000 operations ÷ 10,000 × 0.0005 = 0.125', []],
    [
      'System disk, snapshots',
      { systemDisk: bought },
      '0.05 a month × 7.2 GiB = 0.36',
      [
        '3 kept: the first holds the 6 GiB in use, each later one the 10 % that changed, 7.2 GiB in all.',
        'They stay when their disk goes with its machine, until they are deleted.',
      ],
    ],
    [
      'Memory kept on disk',
      { off: 'hibernated' },
      '0.05 a month × 16 GiB × 1,850,400 s ÷ 2,678,400 s = 0.552688172043',
      [],
    ],
    [
      'Traffic out, band 2 of 3',
      { trafficOutGiB: gib(420) },
      '320 GiB × 0.09 a GiB = 28.8',
      [
        'Band 2 of 3, 100 to 1,000 GiB of the 420 GiB that the account sends from the region; this machine pays its share.',
      ],
    ],
    [
      'Restored from snapshots',
      { off: 'deleted', systemDisk: { ...bought, goes: true } },
      '6 GiB × 23 times × 0.02 a GiB = 2.76',
      [],
    ],
  ])('%s', (title, part, arithmetic, rules) => {
    const found = charge(title, part)
    expect(chargeArithmetic(found)).toBe(arithmetic)
    expect(chargeRules(found, 'Europe/Lisbon')).toEqual(rules)
    expect(chargeDetail(found).length).toBeGreaterThan(3)
  })

  test('read as 730 hours it says so', () => {
    const found = charge('Machine time, band 1 of 2', { off: 'running' }, '730-hours')
    expect(chargeArithmetic(found)).toBe('669,600 s × 730 h ÷ 744 h × 0.2067 an hour ÷ 3,600 s = 37.72275')
  })

  test('a part of a charge has its own arithmetic', () => {
    expect(chargeArithmetic(charge('Machine time, band 1 of 2', {}), 36_000)).toBe(
      '36,000 s × 0.2067 an hour ÷ 3,600 s = 2.067',
    )
    const traffic = charge('Traffic out, band 2 of 3', { trafficOutGiB: gib(420) })
    expect(chargeArithmetic(traffic, 86_400)).toBe('320 GiB × 0.09 a GiB × 86,400 ÷ 828,000 = 3.005217391304')
  })

  test('how rounding took part', () => {
    expect(chargeRounding(charge('Machine time, band 1 of 2', {}))).toBe(
      '23 runs, 230 h in all; 60 s at the least, then by the second: nothing added by rounding',
    )
  })
})
