'use client'

import type { ReactNode } from 'react'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { media } from './theme/media'

interface TickProps {
  readonly label: ReactNode
  readonly checked: boolean
  readonly disabled?: boolean
  readonly onChange: (checked: boolean) => void
}

/** Something that is so or not. */
export function Tick({ label, checked, disabled, onChange }: TickProps) {
  return (
    <Field isSelected={checked} isDisabled={!!disabled} onChange={onChange}>
      <svg width="14" height="14" aria-hidden="true" style={{ flex: 'none' }}>
        <rect x="0.5" y="0.5" width="13" height="13" rx="2" fill="var(--sheet)" stroke="var(--ink-2)" />
        {checked && <path d="M3 7.500l3 3 5-7" fill="none" stroke="var(--ink)" strokeWidth="2" />}
      </svg>
      {label}
    </Field>
  )
}

const Field = styled(Checkbox)`
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
  cursor: pointer;

  &[data-disabled] {
    color: var(--ink-3);
    cursor: default;
  }
  ${media.coarse} {
    min-height: 44px;
  }
`
