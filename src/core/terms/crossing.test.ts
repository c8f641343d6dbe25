import { describe, expect, test } from 'vitest'
import { exact, type Exact } from '../quantity/exact.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { lastCrossing } from './crossing.ts'

const curve = (...amounts: number[]) =>
  amounts.map((amount, i) => ({ seconds: i * 100, amount: exact(amount) }))
const shown = (at: Exact | undefined): string | undefined => at && toDecimal(at, 1)

describe('where a curve comes down to another and stays there', () => {
  test.each<[string, number[], number[], string | undefined]>([
    ['never above it', [0, 10, 20], [0, 10, 30], '0.0'],
    ['above at the end', [0, 10, 31], [0, 10, 30], undefined],
    ['above at first: 50 against 0, then 50 against 100', [50, 50], [0, 100], '50.0'],
    ['above twice: the last time counts', [5, 0, 30, 40], [0, 10, 20, 60], '233.3'],
    ['meets it exactly at a bend', [10, 10, 10], [0, 10, 20], '100.0'],
  ])('%s', (_, amounts, reference, at) => {
    expect(shown(lastCrossing(curve(...amounts), curve(...reference)))).toBe(at)
  })
})
