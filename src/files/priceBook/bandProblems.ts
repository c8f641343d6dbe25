import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { SizePrice, TermsPrice } from '../../core/catalogue/regionPrices.ts'
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
  for (const [region, { trafficOut, sizes, disks }] of Object.entries(book.prices)) {
    const path = ['prices', region]
    yield* openEndProblems(trafficOut, [...path, 'trafficOut'], 'upToGiB')
    for (const [id, price] of Object.entries(sizes)) {
      const at = [...path, 'sizes', id]
      yield* hourBandProblems(price, at, book.billing.longRunRebate !== undefined)
      for (const [terms, offer] of Object.entries(price.terms ?? {})) {
        const isBound = book.terms.some(({ id: each, kind }) => each === terms && kind === 'commitment')
        yield* hourBandProblems(offer, [...at, 'terms', terms], false, isBound)
      }
    }
    for (const [id, { perGiBMonth, perGiBMonthBands: bands }] of Object.entries(disks)) {
      const at = [...path, 'disks', id, 'perGiBMonthBands']
      if (bands && perGiBMonth !== undefined) yield twoPrices(at, 'perGiBMonth')
      yield* openEndProblems(bands, at, 'upTo')
    }
  }
}

function* hourBandProblems(
  { perHour, perHourBands: bands }: SizePrice | TermsPrice,
  path: Path,
  hasRebate: boolean,
  isBound = false,
): Iterable<FileIssue> {
  if (!bands) return
  const at = [...path, 'perHourBands']
  if (perHour !== undefined) yield twoPrices(at, 'perHour')
  if (isBound) yield badValue(at, 'A commitment is paid for every hour of the month alike.', 'one "perHour".')
  if (hasRebate)
    yield badValue(at, 'The book has a rebate over all hours on demand as well.', 'bands or "longRunRebate".')
  yield* openEndProblems(bands, at, 'upTo')
}

const twoPrices = (path: Path, other: string): FileIssue =>
  badValue(path, `There is a price without bands as well, "${other}".`, 'one of the two.')

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

function openEndProblems<Field extends 'upToGiB' | 'upTo'>(
  bands: readonly { readonly [End in Field]?: number }[] | undefined,
  path: Path,
  field: Field,
): FileIssue[] {
  if (!bands || bands.length === 0) return []
  const ends = bands.map((band) => band[field])
  const open = ends.indexOf(undefined)
  if (open === -1) {
    return [
      badValue(
        [...path, bands.length - 1, field],
        'The bands end here, and what is beyond has no price.',
        `a last band without "${field}".`,
      ),
    ]
  }
  if (open < bands.length - 1) {
    return [
      badValue(
        [...path, open],
        'A band without an end has others after it.',
        `"${field}", or no band after it.`,
      ),
    ]
  }
  return orderProblems(
    ends.slice(0, -1).map((end) => exactNumber(end!)),
    path,
    field,
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
