'use client'

import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** The book that the address names, as it stands in its file; else the newest of the first considered provider. */
export function usePickedBook(): PriceBook | undefined {
  const { keptBooks, state, address } = useWorkbench()
  const asked = address.book
  const named =
    asked &&
    keptBooks.find(({ provider, edition }) => provider.id === asked.provider && edition === asked.edition)
  const first = state.books[0]?.provider.id
  return named ?? (first === undefined ? undefined : editionsOf(first, keptBooks).at(-1))
}
