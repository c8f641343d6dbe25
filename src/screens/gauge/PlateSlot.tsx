'use client'

import { memo } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import * as S from './GaugePlate.styles'

interface PlateSlotProps {
  readonly id: string
  readonly label: string
  /** Pixels from the left, its middle. */
  readonly x: number
  readonly isPresent: boolean
  readonly onPress: (id: string) => void
  /** Looked at by pointer or focus; undefined when no more. */
  readonly onLook: (id: string | undefined) => void
}

/** The target of one slot. A plate has many, and most stay as they are when another plate's choice is taken. */
export const PlateSlot = memo(function PlateSlot({
  id,
  label,
  x,
  isPresent,
  onPress,
  onLook,
}: PlateSlotProps) {
  return (
    <S.Slot
      as={AriaButton}
      excludeFromTabOrder
      aria-label={label}
      data-present={isPresent || undefined}
      style={{ transform: `translateX(${x - 13}px)` }}
      onPress={() => onPress(id)}
      onHoverStart={() => onLook(id)}
      onFocus={() => onLook(id)}
      onBlur={() => onLook(undefined)}
    />
  )
})
