import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { ShareFold } from '../../core/wholePlan/foldShares.ts'

/** What machines that are put together are called. */
export function groupName(
  fold: ShareFold,
  key: string,
  { weeks }: Pick<Plan, 'weeks'>,
  books: readonly PriceBook[],
): string {
  const bookOf = (id: string): PriceBook | undefined => books.find(({ provider }) => provider.id === id)
  switch (fold) {
    case 'machine':
      return key
    case 'provider':
      return bookOf(key)?.provider.name ?? key
    case 'region': {
      const [provider = '', region = ''] = key.split('/')
      const book = bookOf(provider)
      const name = book?.regions.find(({ id }) => id === region)?.name ?? region
      return `${name}, ${book?.provider.name ?? provider}`
    }
    case 'week':
      return weeks.find(({ id }) => id === key)?.name ?? key
    case 'cost-centre':
      return key || 'no cost centre'
    default:
      return key || `no ${fold.slice('tag:'.length)}`
  }
}
