import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { badValue } from './bookIssue.ts'
import { bandProblems } from './bandProblems.ts'
import { coreProblems } from './coreProblems.ts'
import { missingPrices } from './missingPrices.ts'
import { referenceProblems } from './referenceProblems.ts'
import { replacementProblems } from './replacementProblems.ts'
import { MOST_ISSUES, type FileIssue } from '../reading/fileIssue.ts'

const CHECKS = [
  positionProblems,
  referenceProblems,
  replacementProblems,
  coreProblems,
  bandProblems,
  missingPrices,
]

/** A place on the globe has two figures. */
function* positionProblems({ regions }: PriceBook): Iterable<FileIssue> {
  for (const [i, { latitude, longitude }] of regions.entries()) {
    if ((latitude === undefined) === (longitude === undefined)) continue
    const lacks = latitude === undefined ? 'latitude' : 'longitude'
    yield badValue(
      ['regions', i, lacks],
      'Half of a position says no place.',
      'both latitude and longitude, or neither.',
    )
  }
}

/**
 * What a shape alone cannot show: names that nothing has, gaps in prices and bands, loops. Ends when there are more than
 * are listed.
 */
export function checkPriceBook(book: PriceBook): FileIssue[] {
  const issues: FileIssue[] = []
  for (const check of CHECKS) {
    for (const issue of check(book)) {
      issues.push(issue)
      if (issues.length > MOST_ISSUES) return issues
    }
  }
  return issues
}
