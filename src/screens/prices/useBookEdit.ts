'use client'

import { useState } from 'react'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export interface BookEdit {
  /** The book as it stands now, which can be newer than what is drawn. */
  readonly now: () => PriceBook
  /** Letters typed in one `field` are one step. */
  readonly edit: (label: string, change: (book: PriceBook) => PriceBook, field?: string) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly undoLabel: string | undefined
  readonly redoLabel: string | undefined
  /** Counts up with each step back or on. */
  readonly version: number
}

/** Edits a kept book in place, with a way back of its own. */
export function useBookEdit(book: PriceBook): BookEdit {
  const { session } = useWorkbench()
  const { edits } = session.books
  const [version, setVersion] = useState(0)
  const now = (): PriceBook =>
    session
      .snapshot()
      .books.find(({ provider, edition }) => provider.id === book.provider.id && edition === book.edition) ??
    book
  return {
    now,
    edit: (label, change, field) => {
      const before = now()
      edits.edit(before, change(before), label, field)
    },
    undo: () => {
      edits.undo(now())
      setVersion(version + 1)
    },
    redo: () => {
      edits.redo(now())
      setVersion(version + 1)
    },
    undoLabel: edits.undoLabel(book),
    redoLabel: edits.redoLabel(book),
    version,
  }
}
