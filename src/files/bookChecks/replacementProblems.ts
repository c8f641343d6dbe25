import { ownValue } from '../../core/ownValue.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { FileIssue } from '../fileIssue.ts'
import { badValue, unknownName } from './bookIssue.ts'

/** Withdrawn sizes must lead to one that is sold, and not back to themselves. */
export function replacementProblems({ replacedSizes = {}, sizes }: PriceBook): FileIssue[] {
  const sold = new Set(sizes.map(({ id }) => id))
  return Object.keys(replacedSizes).flatMap((withdrawn): FileIssue[] => {
    const path = ['replacedSizes', withdrawn]
    if (sold.has(withdrawn)) {
      return [
        badValue(path, `"${withdrawn}" is among the sizes that are sold.`, 'sizes that are no longer sold.'),
      ]
    }
    const seen = [withdrawn]
    let next = ownValue(replacedSizes, withdrawn)!
    while (!sold.has(next)) {
      if (seen.includes(next)) {
        return [
          badValue(
            path,
            `It leads in a circle: ${[...seen, next].join(', ')}.`,
            'a size that is sold at the end.',
          ),
        ]
      }
      const after = ownValue(replacedSizes, next)
      if (after === undefined) return [unknownName(path, 'size', next, [...sold])]
      seen.push(next)
      next = after
    }
    return []
  })
}
