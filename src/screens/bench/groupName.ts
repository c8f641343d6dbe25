import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { ShareFold } from '../../core/wholePlan/foldShares.ts'
import { providerName } from '../../wording/providerName.ts'

/** What machines that are put together are called. */
export function groupName(
  fold: ShareFold,
  key: string,
  { weeks }: Pick<Plan, 'weeks'>,
  books: readonly PriceBook[],
): string {
  const bookOf = (id: string): PriceBook | undefined => books.find(({ provider }) => provider.id === id)
  const nameOf = (id: string): string => {
    const book = bookOf(id)
    return book ? providerName(book, books) : id
  }
  switch (fold) {
    case 'machine':
      return key
    case 'provider':
      return nameOf(key)
    case 'region': {
      const [provider = '', region = ''] = key.split('/')
      const name = bookOf(provider)?.regions.find(({ id }) => id === region)?.name ?? region
      return `${name}, ${nameOf(provider)}`
    }
    case 'week':
      return weeks.find(({ id }) => id === key)?.name ?? key
    case 'cost-centre':
      return key || 'no cost centre'
    default:
      return key || `no ${fold.slice('tag:'.length)}`
  }
}
