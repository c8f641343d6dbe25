'use client'

import { idOf } from '../../core/pricelist/idOf.ts'
import { newBook } from '../../core/pricelist/newBook.ts'
import { considerProviders } from '../../store/providerCommands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export interface NewProvider {
  readonly name: string
  readonly currency: string
  readonly place: string
}

/** Begins a book of one's own, valid from the plan's month on, and opens it. */
export function useNewProvider(): (asked: NewProvider) => void {
  const { session, keptBooks, month, go } = useWorkbench()
  return ({ name, currency, place }) => {
    const id = idOf(name, new Set(keptBooks.map(({ provider }) => provider.id)), 'provider')
    const from = `${month}-01`
    const book = newBook({
      id,
      name,
      currency,
      place: { id: idOf(place, new Set(), 'place'), name: place },
      from,
    })
    void session.books.add(book)
    session.edit(`consider ${name}`, considerProviders([id]))
    go({ view: 'prices', book: { provider: id, edition: book.edition } })
  }
}
