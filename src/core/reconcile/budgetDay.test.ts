import { expect, test } from 'vitest'
import { exact, type Exact } from '../quantity/exact.ts'
import { budgetDay } from './budgetDay.ts'

const days = ['2027-04-01', '2027-04-02', '2027-04-03', '2027-04-04', '2027-04-05']
const TEN = exact(10)
const month = (part: Partial<Parameters<typeof budgetDay>[0]>) =>
  budgetDay({
    budget: exact(35),
    expected: exact(50),
    low: exact(50),
    costOf: new Map(days.map((day): [string, Exact] => [day, TEN])),
    days,
    daysBilled: 2,
    ...part,
  })

test('a month at 10 a day passes 35 on its fourth day, and 50 never', () => {
  expect(month({})).toBe('2027-04-04')
  expect(month({ budget: exact(9) })).toBe('2027-04-01')
  expect(month({ budget: exact(50) })).toBeUndefined()
})

test('what is forgotten brings the day nearer, and what is about no day is known at the end', () => {
  // 10 + 10, then 16 on each of three days: 36 after the third.
  expect(month({ expected: exact(68) })).toBe('2027-04-03')
  expect(month({ budget: exact(65), expected: exact(68) })).toBe('2027-04-05')
  expect(month({ budget: exact(80), expected: exact(90), low: exact(90) })).toBe('2027-04-05')
})
