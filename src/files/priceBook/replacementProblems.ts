import { ownValue } from '../../core/ownValue.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { badValue, unknownName } from './bookIssue.ts'

/** Names of a circle that are written out; its rest is told by three dots. */
const MOST_NAMED = 6

/**
 * Withdrawn sizes must lead to one that is sold, and not back to themselves. Each is followed until it meets one that is
 * known to lead somewhere: O(withdrawn sizes).
 */
export function* replacementProblems({ replacedSizes = {}, sizes }: PriceBook): Iterable<FileIssue> {
  const leads = new Set(sizes.map(({ id }) => id))
  const sold = new Set(leads)
  for (const withdrawn of Object.keys(replacedSizes)) {
    const path = ['replacedSizes', withdrawn]
    if (sold.has(withdrawn)) {
      yield badValue(
        path,
        `"${withdrawn}" is among the sizes that are sold.`,
        'sizes that are no longer sold.',
      )
      continue
    }
    const seen = new Set([withdrawn])
    let next = ownValue(replacedSizes, withdrawn)
    let last = withdrawn
    while (next !== undefined && !leads.has(next) && !seen.has(next)) {
      seen.add(next)
      last = next
      next = ownValue(replacedSizes, next)
    }
    if (next === undefined) yield unknownName(path, 'size', last, [...sold])
    else if (leads.has(next)) for (const each of seen) leads.add(each)
    else {
      const named = [...seen].slice(0, MOST_NAMED)
      const circle = [...named, ...(seen.size > MOST_NAMED ? ['…'] : []), next].join(', ')
      yield badValue(path, `It leads in a circle: ${circle}.`, 'a size that is sold at the end.')
    }
  }
}
