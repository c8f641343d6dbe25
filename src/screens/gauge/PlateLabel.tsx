'use client'

import { memo } from 'react'
import { ToggleButton } from 'react-aria-components'
import type { PlateId } from '../../core/machine/decision.ts'
import * as S from './GaugePlate.styles'

interface PlateLabelProps {
  readonly id: PlateId
  readonly name: string
  readonly value: string
  readonly about: string
  readonly isPinned: boolean
  readonly onPin: (id: PlateId, name: string, isPinned: boolean) => void
}

/** What is decided, what was decided, and whether it is kept as it is. Most stay as they are when another plate moves. */
export const PlateLabel = memo(function PlateLabel({
  id,
  name,
  value,
  about,
  isPinned,
  onPin,
}: PlateLabelProps) {
  return (
    <S.Decision>
      <span data-part="kind">
        {name} <span data-part="about">{about}</span>
      </span>
      <span data-part="value">{value}</span>
      <S.PinToggle
        as={ToggleButton}
        aria-label={`Keep ${name} as it is`}
        isSelected={isPinned}
        onChange={(next) => onPin(id, name, next)}
      >
        <svg width="12" height="14" aria-hidden="true">
          <path d="M3 1h6v5l2 2v1H1V8l2-2z" fill={isPinned ? 'var(--ink)' : 'none'} stroke="currentColor" />
          <path d="M6 9v4.500" stroke="currentColor" />
        </svg>
      </S.PinToggle>
    </S.Decision>
  )
})
