'use client'

import { useEffect, useState } from 'react'
import {
  Autocomplete,
  Dialog,
  Input,
  Menu,
  MenuItem,
  Modal,
  ModalOverlay,
  SearchField,
  useFilter,
} from 'react-aria-components'
import styled from 'styled-components'
import { usePlanCommands } from './usePlanCommands.ts'

/** Every action by its name: opened with Control or Command and K. */
export function CommandPalette() {
  const [isOpen, setOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey) return
      if (event.key.toLowerCase() !== 'k') return
      event.preventDefault()
      setOpen((before) => !before)
    }
    const onAsk = (): void => setOpen(true)
    window.addEventListener('keydown', onKey)
    window.addEventListener(OPEN_PALETTE, onAsk)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener(OPEN_PALETTE, onAsk)
    }
  }, [])
  return (
    <Overlay isOpen={isOpen} onOpenChange={setOpen} isDismissable>
      <Sheet>
        <Body aria-label="All actions">{isOpen && <Commands onDone={() => setOpen(false)} />}</Body>
      </Sheet>
    </Overlay>
  )
}

const OPEN_PALETTE = 'notchgauge-open-palette'

/** Opens the palette from anywhere on the page. */
export const openPalette = (): void => void window.dispatchEvent(new Event(OPEN_PALETTE))

function Commands({ onDone }: { readonly onDone: () => void }) {
  const commands = usePlanCommands()
  const { contains } = useFilter({ sensitivity: 'base' })
  return (
    <Autocomplete filter={(text, query) => query.split(/\s+/).every((word) => contains(text, word))}>
      <SearchField aria-label="Search all actions" autoFocus>
        <Search placeholder="What to do: a machine, a view, an action" />
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

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: grid;
  justify-items: center;
  align-items: start;
  padding-top: 12vh;
  background: rgb(0 0 0 / 35%);
`

const Sheet = styled(Modal)`
  width: min(560px, 94vw);
  background: var(--sheet);
  border: 1px solid var(--ink);
`

const Body = styled(Dialog)`
  outline: none;
`

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
