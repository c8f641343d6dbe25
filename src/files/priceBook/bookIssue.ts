import { pointerOf, type FileIssue } from '../reading/fileIssue.ts'

export type Path = readonly (string | number)[]

export const unknownName = (path: Path, what: string, name: string, known: readonly string[]): FileIssue => ({
  code: 'unknown-reference',
  pointer: pointerOf(path),
  problem: `There is no ${what} "${name}" in this book.`,
  expected: `one of ${known.slice(0, 8).join(', ')}${known.length > 8 ? ', …' : ''}.`,
})

export const missingPrice = (path: Path, problem: string): FileIssue => ({
  code: 'missing-price',
  pointer: pointerOf(path),
  problem,
  expected: 'a price as decimal text.',
})

export const badValue = (path: Path, problem: string, expected: string): FileIssue => ({
  code: 'bad-value',
  pointer: pointerOf(path),
  problem,
  expected,
})
