import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { exactNumber, parseDecimal } from '../../core/quantity/decimal.ts'
import { compare, exact, type Exact } from '../../core/quantity/exact.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { badValue, type Path } from './bookIssue.ts'

/** Tables of bands must grow and reach their end; validity must not end before it begins. */
export function* bandProblems(book: PriceBook): Iterable<FileIssue> {
  const { from, until } = book.valid
  if (until !== undefined && until < from) {
    yield badValue(['valid', 'until'], `It ends on ${until}, before it begins on ${from}.`, 'a later date.')
  }
  yield* rebateProblems(book)
  for (const [region, { trafficOut }] of Object.entries(book.prices)) {
    yield* trafficProblems(trafficOut, ['prices', region, 'trafficOut'])
  }
}

const ONE: Exact = exact(1)

function rebateProblems({ billing: { longRunRebate: bands } }: PriceBook): FileIssue[] {
  if (!bands) return []
  const path = ['billing', 'longRunRebate']
  const ends = bands.map(({ upToShare }) => parseDecimal(upToShare)!)
  const issues = orderProblems(ends, path, 'upToShare')
  const last = ends.at(-1)
  if (!last || compare(last, ONE) !== 0) {
    issues.push(
      badValue(
        last ? [...path, bands.length - 1, 'upToShare'] : path,
        'The bands do not reach the end of the month.',
        'a last band up to "1".',
      ),
    )
  }
  bands.forEach(({ rateShare }, i) => {
    if (compare(parseDecimal(rateShare)!, ONE) > 0)
      issues.push(
        badValue(
          [...path, i, 'rateShare'],
          `A rebate cannot raise the rate to ${rateShare} of it.`,
          'at most "1".',
        ),
      )
  })
  return issues
}

function trafficProblems(bands: PriceBook['prices'][string]['trafficOut'], path: Path): FileIssue[] {
  if (!bands || bands.length === 0) return []
  const open = bands.findIndex(({ upToGiB }) => upToGiB === undefined)
  if (open === -1) {
    return [
      badValue(
        [...path, bands.length - 1, 'upToGiB'],
        'The bands end here, and what is beyond has no price.',
        'a last band without "upToGiB".',
      ),
    ]
  }
  if (open < bands.length - 1) {
    return [
      badValue(
        [...path, open],
        'A band without an end has others after it.',
        '"upToGiB", or no band after it.',
      ),
    ]
  }
  return orderProblems(
    bands.slice(0, -1).map(({ upToGiB }) => exactNumber(upToGiB!)),
    path,
    'upToGiB',
  )
}

function orderProblems(ends: readonly Exact[], path: Path, field: string): FileIssue[] {
  return ends.flatMap((end, i) =>
    i > 0 && compare(end, ends[i - 1]!) <= 0
      ? [
          badValue(
            [...path, i, field],
            'The band ends before it begins.',
            'bands that grow from one to the next.',
          ),
        ]
      : [],
  )
}
