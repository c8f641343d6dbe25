import { expect, test } from 'vitest'
import type { FileIssue } from './fileIssue.ts'
import { issueGroups } from './issueGroups.ts'

const missing = (at: number, field: string): FileIssue => ({
  code: 'bad-value',
  pointer: `/machines/${at}/${field}`,
  problem: 'Missing.',
  expected: 'a value here.',
})

test('up to twenty of a kind stand one by one, more are one group with the first places', () => {
  const few = Array.from({ length: 20 }, (_, i) => missing(i, 'zone'))
  const many = Array.from({ length: 80 }, (_, i) => missing(i, 'region'))
  const groups = issueGroups([...few.slice(0, 3), ...many, ...few.slice(3)])
  expect(groups.map(({ count }) => count)).toEqual([...Array<number>(20).fill(1), 80])
  expect(groups.at(-1)!.places).toEqual([0, 1, 2, 3, 4].map((i) => `/machines/${i}/region`))
})

test('what was found may differ within a kind, what is expected may not', () => {
  const found = Array.from({ length: 30 }, (_, i): FileIssue => ({
    code: 'unknown-reference',
    pointer: `/machines/${i}/size`,
    problem: `There is no size "s${i}" in this book.`,
    expected: i < 25 ? 'one of a, b.' : 'one of c.',
  }))
  expect(issueGroups(found).map(({ count }) => count)).toEqual([25, 1, 1, 1, 1, 1])
  expect(issueGroups([])).toEqual([])
})
