import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { foldShares, tagKeys, type SharedMachine, type ShareOrder } from './foldShares.ts'
import { machineShare } from './machineShare.ts'

const share = (name: string, total: string, floor: string, alwaysOn: string, part: Partial<Machine> = {}) =>
  ({
    machine: { ...SMALL_MACHINE, name, ...part },
    total: parseDecimal(total)!,
    floor: parseDecimal(floor)!,
    alwaysOn: parseDecimal(alwaysOn)!,
  }) satisfies SharedMachine

const SHARES = [
  share('a', '10', '2', '40', { tags: { team: 'rail' }, costCentre: '7' }),
  share('b', '30', '30', '30', { tags: { team: 'road', stage: 'test' } }),
  share('c', '10', '1', '90', { tags: { team: 'rail' } }),
]

describe('where the month goes', () => {
  test.each<[ShareOrder, string]>([
    ['total', 'b a c'],
    ['floor', 'b a c'],
    ['running', 'c a b'],
    ['saved', 'c a b'],
    ['always-on', 'c a b'],
    ['name', 'a b c'],
  ])('by %s', (order, names) => {
    expect(
      foldShares(SHARES, 'machine', order)
        .map(({ key }) => key)
        .join(' '),
    ).toBe(names)
  })

  test('by tag, with those that lack it together', () => {
    const groups = foldShares(SHARES, 'tag:stage', 'total')
    expect(groups.map(({ key, machines, total }) => [key, machines, toDecimal(total, 0)])).toEqual([
      ['test', ['b'], '30'],
      ['', ['a', 'c'], '20'],
    ])
    expect(foldShares(SHARES, 'tag:team', 'name').map(({ key }) => key)).toEqual(['rail', 'road'])
    expect(foldShares(SHARES, 'cost-centre', 'name').map(({ key }) => key)).toEqual(['', '7'])
  })

  test.each(['provider', 'region', 'week', 'tag:none'] as const)('%s keeps every cent', (fold) => {
    const groups = foldShares(SHARES, fold, 'total')
    const sum = groups.reduce((total, group) => add(total, group.total), ZERO)
    expect(toDecimal(sum, 2)).toBe('50.00')
  })

  test('tag keys, those of most machines first', () => {
    expect(tagKeys(SHARES.map(({ machine }) => machine))).toEqual(['team', 'stage'])
  })
})

describe('the floor of a machine', () => {
  const floorOf = (part: Partial<Machine>) => {
    const [priced] = pricedTogether([part], SMALL_BOOK)
    return machineShare(priced!)
  }

  test('is its disks where the hardware is given back: 128 GiB at 9.86', () => {
    expect(toDecimal(floorOf({}).floor, 2)).toBe('9.86')
  })

  test('is nearly all of it where a stop keeps the hardware', () => {
    const { floor, total } = floorOf({ off: 'stopped' })
    expect(compare(floor, total)).toBe(0)
    expect(toDecimal(floor, 2)).toBe('163.64')
  })

  test('is all of it where nothing is switched off', () => {
    const { floor, total, alwaysOn } = floorOf({ off: 'running' })
    expect([compare(floor, total), compare(total, alwaysOn)]).toEqual([0, 0])
  })
})
