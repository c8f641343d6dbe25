'use client'

import type { ReactNode } from 'react'
import { ToggleButton, ToggleButtonGroup, type Key } from 'react-aria-components'
import styled from 'styled-components'
import { media } from './theme/media'

interface ToggleOption<T extends string> {
  readonly id: T
  readonly label: ReactNode
}

interface ToggleRowProps<T extends string> {
  readonly label: string
  readonly options: readonly ToggleOption<T>[]
  readonly chosen: readonly T[]
  readonly onChange: (chosen: T[]) => void
  /** Exactly one, or any number. */
  readonly mode: 'one' | 'any'
}

/** Choices side by side, of which one or any are on. Arrow keys go along. */
export function ToggleRow<T extends string>({ label, options, chosen, onChange, mode }: ToggleRowProps<T>) {
  return (
    <Group
      aria-label={label}
      selectionMode={mode === 'one' ? 'single' : 'multiple'}
      disallowEmptySelection={mode === 'one'}
      selectedKeys={chosen}
      onSelectionChange={(keys: Set<Key>) =>
        onChange(options.filter(({ id }) => keys.has(id)).map(({ id }) => id))
      }
    >
      {options.map(({ id, label: text }) => (
        <Toggle key={id} id={id}>
          {text}
        </Toggle>
      ))}
    </Group>
  )
}

const Group = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 0;
`

const Toggle = styled(ToggleButton)`
  display: inline-flex;
  gap: 5px;
  align-items: center;
  min-height: 26px;
  margin-right: -1px;
  padding: 2px 8px;
  border: 1px solid var(--plate-edge);
  background: var(--sheet);
  font-size: 12px;
  cursor: pointer;
  white-space: nowrap;

  &[data-hovered] {
    background: var(--paper);
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--sheet);
  }
  &[data-focus-visible] {
    z-index: 1;
  }
  ${media.coarse} {
    min-width: 44px;
    min-height: 44px;
  }
`
