'use client'

import type { ReactNode } from 'react'
import { Menu as AriaMenu, MenuItem as AriaMenuItem, MenuTrigger } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from './Button'
import { Popover } from './Popover'
import { media } from './theme/media'

interface MenuEntry {
  readonly id: string
  readonly label: string
  readonly onAction: () => void
  readonly disabled?: boolean
}

interface MenuProps {
  readonly label: string
  readonly button: ReactNode
  readonly entries: readonly MenuEntry[]
}

/** A button that opens a list of actions. */
export function Menu({ label, button, entries }: MenuProps) {
  return (
    <MenuTrigger>
      <Button aria-label={label}>{button}</Button>
      <Popover placement="bottom end">
        <List
          aria-label={label}
          disabledKeys={entries.filter(({ disabled }) => disabled).map(({ id }) => id)}
          onAction={(key) => entries.find(({ id }) => id === key)?.onAction()}
        >
          {entries.map((entry) => (
            <Item key={entry.id} id={entry.id}>
              {entry.label}
            </Item>
          ))}
        </List>
      </Popover>
    </MenuTrigger>
  )
}

const List = styled(AriaMenu)`
  padding: 4px 0;
  outline: none;
  min-width: 180px;
`

const Item = styled(AriaMenuItem)`
  padding: 6px 14px;
  outline: none;
  cursor: pointer;

  &[data-focused] {
    background: var(--plate);
  }
  &[data-disabled] {
    color: var(--ink-3);
    cursor: default;
  }
  ${media.coarse} {
    padding: 13px 14px;
  }
`
