import type { CellProblem } from '../core/pricelist/readRow.ts'
import { formatNumber } from './number'

/** What a cell that could be read in two ways was taken for. */
export const guessText = (guess: string | undefined): string | undefined =>
  guess === undefined ? undefined : `read as ${guess}`

/** What is wrong with a cell, in a few words that fit below it; nothing of one that is only empty. */
export function cellProblemText(problem: CellProblem | undefined): string | undefined {
  switch (problem?.code) {
    case undefined:
    case 'empty':
      return undefined
    case 'no-number':
      return 'a number, please'
    case 'several-numbers':
      return 'one number, please'
    case 'negative':
      return 'not below zero'
    case 'too-many-digits':
      return 'too many digits'
    case 'too-long':
      return `at most ${problem.most} letters`
    case 'not-whole':
      return 'whole ones only'
    case 'out-of-range':
      return `${problem.least} to ${formatNumber(problem.most)}`
    case 'name-taken':
      return 'another one has this name'
  }
}
