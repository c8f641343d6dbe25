import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { parseDecimal, toDecimal } from '../quantity/decimal.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { foldShares, tagKeys, type SharedMachine, type ShareOrder } from './foldShares.ts'

const share = (name: string, total: string, kept: string, leak: string, part: Partial<Machine> = {}) => {
  const [all, stays, leaks] = [total, kept, leak].map((text) => parseDecimal(text)!) as [Exact, Exact, Exact]
  return {
    machine: { ...SMALL_MACHINE, name, ...part },
    total: all,
    kept: stays,
    leak: leaks,
    asked: subtract(all, add(stays, leaks)),
    saved: subtract(parseDecimal('100')!, all),
  } satisfies SharedMachine
}

const SHARES = [
  share('a', '10', '2', '3', { tags: { team: 'rail' }, costCentre: '7' }),
  share('b', '30', '29', '1', { tags: { team: 'road', stage: 'test' } }),
  share('c', '10', '1', '8', { tags: { team: 'rail' } }),
]

describe('where the month goes', () => {
  test.each<[ShareOrder, string]>([
    ['total', 'b a c'],
    ['kept', 'b a c'],
    ['asked', 'a c b'],
    ['leak', 'c a b'],
    ['saved', 'a c b'],
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
