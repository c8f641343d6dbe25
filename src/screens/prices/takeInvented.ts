import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import { considerProviders } from '../../store/providerCommands.ts'
import type { Session } from '../../store/session.ts'
import { loadDemo } from '../workbench/demo.ts'

/**
 * The invented books, to try things out: those that are not there yet are added, and the plan considers all of them.
 */
export async function takeInvented(session: Session): Promise<void> {
  const { books, plan: demo } = await loadDemo()
  const known = new Set(session.snapshot().books.map(({ provider, edition }) => `${provider.id} ${edition}`))
  for (const book of books) {
    if (!known.has(`${book.provider.id} ${book.edition}`)) void session.books.add(book)
  }
  const ids = [...new Set(books.map(({ provider }) => provider.id))]
  session.edit('consider the invented providers', (draft) => {
    considerProviders(ids)(draft)
    // They hold for some months only: where one of them does not, the plan goes to one in which all do.
    if (ids.some((id) => !priceBookFor(id, books, draft.month))) draft.month = demo.month
  })
}
