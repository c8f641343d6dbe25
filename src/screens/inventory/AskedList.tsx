'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'

interface Option {
  readonly id: string
  readonly name: string
}

interface AskedItem {
  readonly key: string
  /** As the table says it. */
  readonly text: string
  readonly small: string
  readonly label: string
  readonly options: readonly Option[]
  /** What stands now; undefined as long as somebody has to say. */
  readonly value: string | undefined
}

interface AskedListProps {
  readonly title: string
  /** Stands where there is nothing to choose from. */
  readonly nothing: string
  /** Stands in place of a value that somebody has to say. */
  readonly unsaid: string
  readonly items: readonly AskedItem[]
  readonly onSay: (key: string, id: string) => void
}

const SHOWN_AT_ONCE = 100

/** What a table says and nobody sells under that name, each once for all its rows; what somebody has to say first. */
export function AskedList({ title, nothing, unsaid, items, onSay }: AskedListProps) {
  const [shown, setShown] = useState(SHOWN_AT_ONCE)
  const isOpen = ({ value }: AskedItem): number => (value === undefined ? 0 : 1)
  const sorted = items.toSorted((a, b) => isOpen(a) - isOpen(b))
  const more = sorted.length - shown
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <List>
        {sorted.slice(0, shown).map(({ key, text, small, label, options, value }) => (
          <li key={key} data-open={value === undefined || undefined}>
            <span>
              {text} <small>{small}</small>
            </span>
            {options.length === 0 ? (
              <b>{nothing}</b>
            ) : (
              <Dropdown
                label={label}
                value={value ?? ''}
                options={value === undefined ? [{ id: '', name: unsaid }, ...options] : options}
                onChange={(id) => id !== '' && onSay(key, id)}
              />
            )}
          </li>
        ))}
      </List>
      {more > 0 && (
        <Button onPress={() => setShown(shown + SHOWN_AT_ONCE)}>
          Show {Math.min(more, SHOWN_AT_ONCE)} of {more} more
        </Button>
      )}
    </section>
  )
}

const List = styled.ul`
  max-height: 180px;
  overflow: auto;

  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    align-items: baseline;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  li[data-open] span,
  b {
    font-weight: 400;
    color: var(--leak);
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
`
