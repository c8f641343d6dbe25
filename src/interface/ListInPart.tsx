'use client'

import { useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { Button } from './Button'

const SHOWN_AT_ONCE = 100

interface ListInPartProps<Item> {
  readonly label: string
  readonly items: readonly Item[]
  readonly keyOf: (item: Item) => string
  readonly children: (item: Item) => ReactNode
}

/** A list that scrolls, and that can have thousands of entries: a hundred are drawn, and more when they are asked for. */
export function ListInPart<Item>({ label, items, keyOf, children }: ListInPartProps<Item>) {
  const [shown, setShown] = useState(SHOWN_AT_ONCE)
  const more = items.length - shown
  return (
    <List aria-label={label}>
      {items.slice(0, shown).map((item) => (
        <li key={keyOf(item)}>{children(item)}</li>
      ))}
      {more > 0 && (
        <li>
          <Button onPress={() => setShown(shown + SHOWN_AT_ONCE)}>
            Show {Math.min(more, SHOWN_AT_ONCE)} more of {items.length}
          </Button>
        </li>
      )}
    </List>
  )
}

const List = styled.ul`
  max-height: 260px;
  overflow: auto;
`
