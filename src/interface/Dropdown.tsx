'use client'

import {
  Button as AriaButton,
  Label,
  ListBox,
  ListBoxItem,
  Select,
  SelectValue,
  type Key,
} from 'react-aria-components'
import styled from 'styled-components'
import { Popover } from './Popover'
import { media } from './theme/media'
import { VisuallyHidden } from './VisuallyHidden'

export interface DropdownOption {
  readonly id: string
  readonly name: string
  readonly note?: string
}

interface DropdownProps {
  readonly label: string
  /** Id of the chosen option; what it reads as where it is none of them. */
  readonly value: string
  readonly options: readonly DropdownOption[]
  readonly onChange: (id: string) => void
}

/** One choice out of a short list. The label is read out, not shown: the words around it say what it is. */
export function Dropdown({ label, value, options, onChange }: DropdownProps) {
  return (
    <Select
      value={value}
      onChange={(key: Key | null) => {
        if (key !== null && key !== value) onChange(String(key))
      }}
    >
      <VisuallyHidden as={Label}>{label}</VisuallyHidden>
      <Field>
        <SelectValue>{({ selectedText }) => selectedText || value}</SelectValue>
        <span aria-hidden="true">▾</span>
      </Field>
      <Popover>
        <Options items={options}>
          {(option: DropdownOption) => (
            <Option id={option.id} textValue={option.name}>
              {option.name}
              {option.note && <Note>{option.note}</Note>}
            </Option>
          )}
        </Options>
      </Popover>
    </Select>
  )
}

const Field = styled(AriaButton)`
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  max-width: 260px;
  min-height: 26px;
  padding: 2px 7px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
  font-weight: 560;
  cursor: pointer;

  &[data-hovered] {
    border-color: var(--ink-2);
  }
  ${media.coarse} {
    min-height: 44px;
    align-items: center;
  }
`

const Options = styled(ListBox<DropdownOption>)`
  padding: 4px 0;
  outline: none;
  max-height: 360px;
  overflow: auto;
`

const Option = styled(ListBoxItem)`
  padding: 6px 14px;
  outline: none;
  cursor: pointer;

  &[data-focused] {
    background: var(--plate);
  }
  &[data-selected] {
    font-weight: 600;
  }
  ${media.coarse} {
    padding: 13px 14px;
  }
`

const Note = styled.span`
  margin-left: 10px;
  color: var(--ink-2);
  font-weight: 400;
`
