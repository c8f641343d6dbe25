'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'

interface AssumedMarkProps {
  /** What is assumed, as the beginning of a sentence. */
  readonly what: string
  readonly onConfirm: () => void
}

/** Marks an answer that nobody has confirmed, and takes it as true at a press. */
export function AssumedMark({ what, onConfirm }: AssumedMarkProps) {
  return (
    <Mark aria-label={`${what} is assumed. It is so`} onPress={onConfirm}>
      <i>assumed</i> it is so
    </Mark>
  )
}

const Mark = styled(Button)`
  min-height: 24px;
  padding: 1px 8px;
  font-size: 12px;

  i {
    font-style: normal;
    border-bottom: 2px dotted var(--held);
    margin-right: 6px;
  }
`
