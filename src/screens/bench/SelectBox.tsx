'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'

interface SelectBoxProps {
  readonly label: string
  readonly checked: boolean
  /** Some of what it stands for is selected. */
  readonly isPartial?: boolean
  readonly onChange: (on: boolean) => void
}

/** The box in front of a row; all of its cell can be pressed. */
export const SelectBox = ({ label, checked, isPartial = false, onChange }: SelectBoxProps) => (
  <Cell>
    <input
      type="checkbox"
      aria-label={label}
      checked={checked}
      ref={(box) => {
        if (box) box.indeterminate = isPartial
      }}
      onChange={(event) => onChange(event.target.checked)}
    />
  </Cell>
)

const Cell = styled.label`
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  cursor: pointer;

  input {
    width: 15px;
    height: 15px;
    margin: 0;
    accent-color: var(--ink);
  }
  ${media.coarse} {
    width: 44px;
    height: 44px;

    input {
      width: 24px;
      height: 24px;
    }
  }
`
