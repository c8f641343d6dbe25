'use client'

import { useMemo } from 'react'
import { Button as AriaButton, ComboBox, Input, Label, ListBox, ListBoxItem } from 'react-aria-components'
import styled from 'styled-components'
import { timeZones } from '../../core/calendar/zoneOffsets.ts'
import { Popover } from '../../interface/Popover'
import { VisuallyHidden } from '../../interface/VisuallyHidden'

interface ZonePickerProps {
  readonly label: string
  readonly value: string | undefined
  readonly onChange: (zone: string) => void
}

interface ZoneItem {
  readonly id: string
}

/** One of the IANA time zones, found by typing a part of its name. */
export function ZonePicker({ label, value, onChange }: ZonePickerProps) {
  const zones = useMemo(
    () => [...new Set([...(value ? [value] : []), ...timeZones()])].sort().map((id): ZoneItem => ({ id })),
    [value],
  )
  return (
    <ComboBox
      defaultItems={zones}
      value={value ?? null}
      onChange={(key) => {
        if (key !== null && key !== value) onChange(String(key))
      }}
    >
      <VisuallyHidden as={Label}>{label}</VisuallyHidden>
      <Field>
        <Input spellCheck={false} placeholder={value ? '' : 'a second clock'} />
        <AriaButton>▾</AriaButton>
      </Field>
      <Popover>
        <Options<ZoneItem>>{({ id }) => <Option id={id}>{id}</Option>}</Options>
      </Popover>
    </ComboBox>
  )
}

const Field = styled.div`
  display: inline-flex;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);

  input {
    width: 168px;
    min-height: max(26px, var(--target));
    padding: 2px 7px;
    border: 0;
    background: none;
    font-weight: 560;
  }
  button {
    min-width: var(--target);
    border: 0;
    background: none;
    cursor: pointer;
  }
`

const Options = styled(ListBox)`
  max-height: 280px;
  overflow: auto;
  padding: 4px 0;
  outline: none;
` as typeof ListBox

const Option = styled(ListBoxItem)`
  padding: 4px 12px;
  outline: none;
  cursor: pointer;

  &[data-focused] {
    background: var(--plate);
  }
`
