'use client'

import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { bookEntries, regionOfPointer, type BookEntry } from '../../wording/bookEntries'
import type { Address } from '../workbench/address.ts'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Lines of the book shown before and after the rate. */
const AROUND = 2

interface RateInBookProps {
  readonly book: PriceBook
  readonly pointer: string
}

/** A rate among its neighbours in the price book, set off; the whole book is one press away. */
export function RateInBook({ book, pointer }: RateInBookProps) {
  const { machine } = useWorkbench()
  const link = useLinks()
  const region = regionOfPointer(pointer) ?? machine?.region ?? book.regions[0]!.id
  const entries = bookEntries(book, region)
  const at = entries.findIndex((entry) => entry.sort !== 'head' && entry.pointer === pointer)
  const shown = entries.slice(Math.max(0, at - AROUND), at + AROUND + 1).filter(isRate)
  const target: Partial<Address> = {
    machine: machine?.name,
    view: 'book',
    book: { provider: book.provider.id, edition: book.edition },
    rate: pointer,
  }
  return (
    <>
      <Lines>
        {shown.map((entry) => (
          <Line key={entry.pointer} $marked={entry.pointer === pointer}>
            <span>{entry.label}</span>
            <b>{entry.text}</b>
            <small>for each {entry.per}</small>
          </Line>
        ))}
      </Lines>
      <a {...link(target)}>Open the book there</a>
      <Pointer>{pointer}</Pointer>
    </>
  )
}

const isRate = (entry: BookEntry): entry is Extract<BookEntry, { sort: 'rate' }> => entry.sort === 'rate'

const Lines = styled.ul`
  display: grid;
  border: 1px solid var(--rule);
  font-size: 12px;
`

const Line = styled.li<{ readonly $marked: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 8px;
  padding: 3px 7px;
  border-left: 4px solid ${({ $marked }) => ($marked ? 'var(--ink)' : 'transparent')};
  background: ${({ $marked }) => ($marked ? 'var(--plate)' : 'none')};
  color: ${({ $marked }) => ($marked ? 'var(--ink)' : 'var(--ink-2)')};

  small {
    grid-column: 1 / -1;
    font-size: 11px;
  }
`

const Pointer = styled.code`
  font-size: 11px;
  color: var(--ink-2);
`
