'use client'

import { ListBox, ListBoxItem } from 'react-aria-components'
import styled from 'styled-components'
import { media } from '../../interface/theme/media'

interface RoleListProps {
  readonly label: string
  /** Of the chosen one; none of them: nothing is chosen. */
  readonly chosen: string | undefined
  readonly options: readonly { readonly id: string; readonly name: string }[]
  readonly onChange: (id: string) => void
}

/** All that a column can be, to be chosen at one press. */
export function RoleList({ label, chosen, options, onChange }: RoleListProps) {
  return (
    <Options
      aria-label={label}
      autoFocus
      selectionMode="single"
      disallowEmptySelection
      selectedKeys={chosen === undefined ? [] : [chosen]}
      onSelectionChange={(keys) => {
        const [id] = keys === 'all' ? [] : keys
        if (id !== undefined && id !== chosen) onChange(String(id))
      }}
      layout="grid"
      items={options}
    >
      {({ id, name }) => (
        <Option id={id} textValue={name}>
          {name}
        </Option>
      )}
    </Options>
  )
}

const Options = styled(ListBox<{ readonly id: string; readonly name: string }>)`
  display: grid;
  grid-template-columns: repeat(3, auto);
  gap: 0 2px;
  outline: none;
`

const Option = styled(ListBoxItem)`
  padding: 3px 8px;
  border-radius: 2px;
  font-size: 12.5px;
  outline: none;
  cursor: pointer;

  &[data-hovered],
  &[data-focus-visible] {
    background: var(--plate);
  }
  &[data-selected] {
    font-weight: 620;
    color: var(--save);
    box-shadow: inset 0 0 0 1px var(--save);
  }
  ${media.coarse} {
    padding: 12px 10px;
  }
`
