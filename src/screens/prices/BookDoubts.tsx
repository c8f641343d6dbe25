'use client'

import { useMemo } from 'react'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { bookDoubts } from '../../core/plausible/bookDoubts.ts'
import { bookFigures } from '../../core/plausible/bookFigures.ts'
import { doubtText } from '../../wording/doubt.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What of a book looks wrong beside the other books that are kept, and beside what is common. */
export function BookDoubts({ book }: { readonly book: PriceBook }) {
  const { keptBooks } = useWorkbench()
  const doubts = useMemo(
    () =>
      bookDoubts(book, keptBooks.filter(({ provider }) => provider.id !== book.provider.id).map(bookFigures)),
    [book, keptBooks],
  )
  if (doubts.length === 0) return null
  return (
    <ul aria-label="What looks wrong">
      {doubts.map((doubt) => {
        const text = doubtText(doubt, book.currency)
        return <li key={text}>Looks wrong: {text}</li>
      })}
    </ul>
  )
}
