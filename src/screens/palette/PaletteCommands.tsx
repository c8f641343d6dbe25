'use client'

import { useEffect, useRef, useState } from 'react'
import { Autocomplete, Input, Menu, MenuItem, SearchField, useFilter } from 'react-aria-components'
import styled from 'styled-components'
import { usePlanCommands } from './usePlanCommands.ts'

interface PaletteCommandsProps {
  /** What the search begins with. */
  readonly typed: string
  readonly onDone: () => void
}

/** All actions, and a search that narrows them down. */
export function PaletteCommands({ typed, onDone }: PaletteCommandsProps) {
  const commands = usePlanCommands()
  const { contains } = useFilter({ sensitivity: 'base' })
  const field = useRef<HTMLInputElement>(null)
  const [early] = useState(typed)
  useEffect(() => {
    if (early === '' || !field.current) return
    // As if it were typed now: the first action that matches is then the one that Enter takes.
    const how = { bubbles: true, inputType: 'insertText', data: early }
    field.current.dispatchEvent(new InputEvent('beforeinput', how))
    field.current.setRangeText(early, 0, field.current.value.length, 'end')
    field.current.dispatchEvent(new InputEvent('input', how))
  }, [early])
  return (
    <Autocomplete filter={(text, query) => query.split(/\s+/).every((word) => contains(text, word))}>
      <SearchField aria-label="Search all actions" autoFocus>
        <Search ref={field} placeholder="What to do: a machine, a view, an action" />
      </SearchField>
      <Scroll tabIndex={0} role="group" aria-label="What matches">
        <List
          aria-label="Actions"
          items={commands}
          onAction={(key) => {
            onDone()
            commands.find(({ id }) => id === key)?.run()
          }}
          renderEmptyState={() => <None>Nothing is called that.</None>}
        >
          {(command: (typeof commands)[number]) => (
            <Item id={command.id} textValue={command.name}>
              <span>{command.name}</span>
              {command.keys && <kbd>{command.keys}</kbd>}
            </Item>
          )}
        </List>
      </Scroll>
    </Autocomplete>
  )
}

const Search = styled(Input)`
  width: 100%;
  padding: 10px 14px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  font-size: 16px;
  outline-offset: -2px;

  &::-webkit-search-cancel-button {
    display: none;
  }
`

const Scroll = styled.div`
  max-height: 52vh;
  overflow: auto;
  outline-offset: -2px;
`

const List = styled(Menu)`
  padding: 4px 0;
  outline: none;
` as typeof Menu

const Item = styled(MenuItem)`
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 5px 14px;
  cursor: pointer;
  outline: none;

  &[data-focused] {
    background: var(--plate);
  }
  kbd {
    font: inherit;
    font-size: 12px;
    color: var(--ink-2);
  }
`

const None = styled.p`
  padding: 8px 14px;
  color: var(--ink-2);
`
