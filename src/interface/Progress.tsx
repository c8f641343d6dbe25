'use client'

import { Label, ProgressBar } from 'react-aria-components'
import styled from 'styled-components'

interface ProgressProps {
  readonly label: string
  readonly done: number
  readonly of: number
}

/** How far a long piece of work has come. */
export function Progress({ label, done, of }: ProgressProps) {
  return (
    <Bar value={done} maxValue={Math.max(1, of)}>
      <Label>{label}</Label>
      <Track aria-hidden="true">
        <i style={{ width: `${(done / Math.max(1, of)) * 100}%` }} />
      </Track>
    </Bar>
  )
}

const Bar = styled(ProgressBar)`
  display: grid;
  gap: 4px;
`

const Track = styled.span`
  display: block;
  height: 8px;
  border: 1px solid var(--plate-edge);

  i {
    display: block;
    height: 100%;
    background: var(--ink-2);
  }
`
