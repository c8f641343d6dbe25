'use client'

import { memo } from 'react'

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

/**
 * The target of one slot, for mouse and finger: keys and screen readers use the plate's slider. There are a hundred of
 * them, so each is the plainest button there is.
 */
export const PlateSlot = memo(function PlateSlot({
  id,
  label,
  x,
  isPresent,
  onPress,
  onLook,
}: PlateSlotProps) {
  return (
    <button
      data-slot=""
      type="button"
      tabIndex={-1}
      aria-label={label}
      data-present={isPresent || undefined}
      style={{ left: x - 13 }}
      onClick={() => onPress(id)}
      onPointerEnter={({ pointerType }) => pointerType === 'mouse' && onLook(id)}
      onFocus={() => onLook(id)}
      onBlur={() => onLook(undefined)}
    />
  )
})
