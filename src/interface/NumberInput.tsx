'use client'

import { Input, Label, NumberField } from 'react-aria-components'
import styled from 'styled-components'
import { media } from './theme/media'

interface NumberInputProps {
  readonly label: string
  readonly unit: string
  readonly value: number
  readonly step: number
  readonly most: number
  /** 0 where absent. */
  readonly least?: number
  readonly onChange: (value: number) => void
}

/** A whole number of a unit; arrow keys change it by one step. */
export function NumberInput({ label, unit, value, step, most, least = 0, onChange }: NumberInputProps) {
  return (
    <Field
      aria-label={label}
      value={value}
      minValue={least}
      maxValue={most}
      step={step}
      onChange={(next) => {
        if (Number.isFinite(next) && next !== value) onChange(next)
      }}
    >
      <Box size={Math.max(2, String(value).length + (value >= 1000 ? 1 : 0))} />
      <Label>{unit}</Label>
    </Field>
  )
}

const Field = styled(NumberField)`
  display: inline-flex;
  gap: 5px;
  align-items: baseline;
`

const Box = styled(Input)`
  width: 58px;
  min-height: 26px;
  ${media.coarse} {
    min-height: 44px;
  }
  padding: 2px 6px;
  text-align: right;
  font-weight: 560;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
`
