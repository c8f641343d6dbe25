'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { PriceBook, Terms } from '../../core/catalogue/priceBook.ts'
import {
  addPlace,
  addTerms,
  dropPlace,
  dropTerms,
  renamePlace,
  soldOnlyIn,
} from '../../core/pricelist/placeRows.ts'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { Button, QuietButton } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import type { BookEdit } from './useBookEdit.ts'

const SPOT = 'spot'
const MONTHS = [1, 6, 12, 24, 36, 60]

interface BookPartsDialogProps {
  readonly book: PriceBook
  readonly edits: BookEdit
  readonly onClose: () => void
}

/** The places in which a book sells, and the terms on which it does. */
export function BookPartsDialog({ book, edits, onClose }: BookPartsDialogProps) {
  return (
    <Dialog title={`Places and terms of ${book.provider.name}`} isOpen onClose={onClose}>
      <Places book={book} edits={edits} />
      <TermsList book={book} edits={edits} />
      <Actions>
        <Button onPress={onClose}>Done</Button>
      </Actions>
    </Dialog>
  )
}

type PartsProps = Omit<BookPartsDialogProps, 'onClose'>

const nameCheck =
  (taken: ReadonlySet<string>) =>
  (text: string): string | undefined => {
    const name = text.trim()
    if (name === '' || name.length > LONGEST_NAME) return `1 to ${LONGEST_NAME} letters`
    return taken.has(name) ? 'There is one of that name.' : undefined
  }

function Places({ book, edits }: PartsProps) {
  const [made, setMade] = useState(0)
  const names = new Set(book.regions.map(({ name }) => name))
  return (
    <>
      <h3>Places</h3>
      <List>
        {book.regions.map(({ id, name, country }) => {
          const alone = soldOnlyIn(book, id).length
          return (
            <li key={id}>
              <TextInput
                label={`Name of ${name}`}
                value={name}
                check={(text) => (text === name ? undefined : nameCheck(names)(text))}
                onCommit={(text) =>
                  edits.edit(`call ${name} ${text.trim()}`, (current) =>
                    renamePlace(current, id, text.trim()),
                  )
                }
              />
              <small>{country ?? 'country not known'}</small>
              {book.regions.length > 1 && (
                <QuietButton
                  aria-label={`Delete ${name}`}
                  onPress={() => edits.edit(`delete ${name}`, (current) => dropPlace(current, id))}
                >
                  remove{alone > 0 && `, with ${alone} ${alone === 1 ? 'size' : 'sizes'} sold only there`}
                </QuietButton>
              )}
            </li>
          )
        })}
        <li>
          <TextInput
            key={made}
            label="A new place"
            value=""
            whenEmpty="a new place"
            check={nameCheck(names)}
            onCommit={(text) => {
              edits.edit(`add ${text.trim()}`, (current) => addPlace(current, text.trim()))
              setMade(made + 1)
            }}
          />
        </li>
      </List>
    </>
  )
}

const aboutOf = (terms: Terms): string => {
  switch (terms.kind) {
    case 'on-demand':
      return 'on demand'
    case 'spot':
      return 'may be taken away'
    case 'flat':
      return 'while the machine is there'
    case 'commitment':
      return `bound for ${terms.months} months`
  }
}

function TermsList({ book, edits }: PartsProps) {
  const [binds, setBinds] = useState('12')
  const [made, setMade] = useState(0)
  const names = new Set(book.terms.map(({ name }) => name))
  return (
    <>
      <h3>Terms</h3>
      <List>
        {book.terms.map((terms) => (
          <li key={terms.id}>
            <b>{terms.name}</b>
            <small>{aboutOf(terms)}</small>
            {book.terms.length > 1 && (terms.kind === 'spot' || terms.kind === 'commitment') && (
              <QuietButton
                aria-label={`Delete ${terms.name}`}
                onPress={() => edits.edit(`delete ${terms.name}`, (current) => dropTerms(current, terms.id))}
              >
                remove with its prices
              </QuietButton>
            )}
          </li>
        ))}
        <li>
          <TextInput
            key={made}
            label="New terms"
            value=""
            whenEmpty="new terms"
            check={nameCheck(names)}
            onCommit={(text) => {
              const months = binds === SPOT ? undefined : Number(binds)
              edits.edit(`add ${text.trim()}`, (current) => addTerms(current, text.trim(), months))
              setMade(made + 1)
            }}
          />
          <Dropdown
            label="What new terms bind to"
            value={binds}
            options={[
              ...MONTHS.map((months) => ({
                id: String(months),
                name: `bound for ${months} ${months === 1 ? 'month' : 'months'}`,
              })),
              { id: SPOT, name: 'may be taken away' },
            ]}
            onChange={setBinds}
          />
        </li>
      </List>
    </>
  )
}

const List = styled.ul`
  max-height: 30vh;
  overflow: auto;
  margin: 4px 0 14px;

  li {
    display: flex;
    flex-wrap: wrap;
    gap: 3px 10px;
    align-items: center;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    color: var(--ink-2);
  }
`

const Actions = styled.div`
  display: flex;
  justify-content: flex-end;
`
