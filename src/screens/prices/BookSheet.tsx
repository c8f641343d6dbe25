'use client'

import { useState, type KeyboardEvent } from 'react'
import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { QuietButton } from '../../interface/Button'
import { BookDoubts } from './BookDoubts'
import { PartTitle } from './PartTitle'
import { EditionTools } from './EditionTools'
import { DiskSheet } from './DiskSheet'
import { FirstMachine } from './FirstMachine'
import { SizesPart } from './SizesPart'
import { useBookEdit } from './useBookEdit.ts'

/** A price book as a document: sizes and disks as rows that are typed, pasted and taken back. */
export function BookSheet({ book }: { readonly book: PriceBook }) {
  const edits = useBookEdit(book)
  const [picked, setPicked] = useState(book.regions[0]!.id)
  const region = book.regions.find(({ id }) => id === picked) ?? book.regions[0]!
  const { provider, currency, valid } = book
  const onKey = (event: KeyboardEvent): void => {
    if (!(event.ctrlKey || event.metaKey) || event.altKey) return
    const key = event.key.toLowerCase()
    if (key !== 'z' && key !== 'y') return
    event.preventDefault()
    event.stopPropagation()
    if (key === 'z' && !event.shiftKey) edits.undo()
    else edits.redo()
  }
  return (
    <div onKeyDown={onKey}>
      <Head>
        <h1>Prices of {provider.name}</h1>
        <small>
          {currency}, from {valid.from} on
        </small>
        <EditionTools book={book} />
        <Spring />
        <QuietButton
          aria-label={
            edits.undoLabel ? `Undo in the book: ${edits.undoLabel}` : 'Nothing to undo in the book'
          }
          isDisabled={!edits.undoLabel}
          onPress={edits.undo}
        >
          Undo
        </QuietButton>
        <QuietButton
          aria-label={
            edits.redoLabel ? `Redo in the book: ${edits.redoLabel}` : 'Nothing to redo in the book'
          }
          isDisabled={!edits.redoLabel}
          onPress={edits.redo}
        >
          Redo
        </QuietButton>
      </Head>
      <BookDoubts book={book} />
      <SizesPart book={book} edits={edits} region={region.id} onRegion={setPicked} />
      <PartTitle>
        <h2>Disks</h2>
        <span>{currency} a month, for each GiB or for a whole disk of so many</span>
      </PartTitle>
      <DiskSheet key={region.id} book={book} edits={edits} region={region.id} />
      <FirstMachine book={book} />
    </div>
  )
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;

  small {
    color: var(--ink-2);
  }
`

const Spring = styled.span`
  flex: 1;
`
