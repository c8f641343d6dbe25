'use client'

import { useState, type KeyboardEvent } from 'react'
import type { Weekday } from '../../core/calendar/civil.ts'
import { MINUTES_PER_DAY } from '../../core/calendar/weekPlan.ts'
import { patchBetween, type Grain, type Patch, type GridCell } from './usePaint'

const START: GridCell = { day: 0, minute: 8 * 60 }

/**
 * Painting by keyboard: arrows move by the grain or a day (with Control, by an hour), with Shift they mark
 * from where they began, Enter or 1 paints what is marked on, Delete or 0 paints it off.
 */
export function useCursor(grain: Grain, onPaint: (patch: Patch, on: boolean) => void) {
  const [focused, setFocused] = useState(false)
  const [place, setPlace] = useState(START)
  const [anchor, setAnchor] = useState<GridCell>()
  const patch = patchBetween(anchor ?? place, place, grain)

  const move = (event: KeyboardEvent): GridCell | undefined => {
    const step = event.ctrlKey || event.metaKey ? 60 : grain
    const last = MINUTES_PER_DAY - grain
    const { day, minute } = place
    switch (event.key) {
      case 'ArrowLeft':
        return { day, minute: Math.max(0, minute - step) }
      case 'ArrowRight':
        return { day, minute: Math.min(last, minute + step) }
      case 'ArrowUp':
        return { day: Math.max(0, day - 1) as Weekday, minute }
      case 'ArrowDown':
        return { day: Math.min(6, day + 1) as Weekday, minute }
      case 'Home':
        return { day, minute: 0 }
      case 'End':
        return { day, minute: last }
      default:
        return undefined
    }
  }

  const onKeyDown = (event: KeyboardEvent): void => {
    const next = move(event)
    if (next) {
      setAnchor(event.shiftKey ? (anchor ?? place) : undefined)
      setPlace(next)
    } else if (event.key === 'Enter' || event.key === '1') onPaint(patch, true)
    else if (event.key === 'Delete' || event.key === 'Backspace' || event.key === '0') onPaint(patch, false)
    else if (event.key === 'Escape' && anchor) setAnchor(undefined)
    else return
    event.preventDefault()
  }

  return {
    patch: focused ? patch : undefined,
    handlers: {
      onKeyDown,
      onFocus: () => setFocused(true),
      onBlur: () => {
        setFocused(false)
        setAnchor(undefined)
      },
    },
  }
}
