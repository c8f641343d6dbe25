'use client'

import { useEffect, useState, type RefObject } from 'react'
import type { CostAxis } from '../../core/notches/costAxis.ts'
import type { Cluster } from './clusterNotches.ts'
import type { SlotPlace } from './SlotTable'

interface LookedAt {
  /** The slot whose choices are named. */
  readonly slot: Cluster | undefined
  /** It stays until it is left, and keys go through its rows. */
  readonly isHeld: boolean
  readonly row: number
  readonly place: SlotPlace | undefined
  /** A pointer is over a slot, or over none. */
  readonly pointAt: (slot: Cluster | undefined) => void
  readonly hold: (slot: Cluster) => void
  /** Goes one slot to the left or right, from the present one at first. */
  readonly step: (direction: -1 | 1) => void
  readonly stepRow: (direction: -1 | 1, rows: number) => void
  readonly leave: () => void
}

interface LookedAtInputs {
  readonly clusters: readonly Cluster[]
  readonly axis: CostAxis
  readonly track: RefObject<HTMLElement | null>
  readonly onLook: (slot: Cluster) => void
}

interface State {
  readonly key: string
  readonly isHeld: boolean
  readonly row: number
  readonly isAbove: boolean
}

const TABLE_WIDTH = 500
/** Of eight rows with their foot. */
const TABLE_HEIGHT = 260

/** Which slot of a plate is looked at, by pointer, finger or keys. */
export function useLookedAt({ clusters, axis, track, onLook }: LookedAtInputs): LookedAt {
  const [state, setState] = useState<State>()
  const slot = clusters.find(({ key }) => key === state?.key)
  const isHeld = slot !== undefined && state!.isHeld
  const look = (found: Cluster, held: boolean): void => {
    const rect = track.current?.getBoundingClientRect()
    const below = rect ? window.innerHeight - rect.bottom : Infinity
    const isAbove = below < TABLE_HEIGHT && rect !== undefined && rect.top > TABLE_HEIGHT
    setState({ key: found.key, isHeld: held, row: 0, isAbove })
    onLook(found)
  }
  const leave = (): void => setState(undefined)
  // What is held is let go of by a press anywhere else.
  useEffect(() => {
    if (!isHeld) return
    const onPress = (event: PointerEvent): void => {
      if (event.target instanceof Node && !track.current?.contains(event.target)) setState(undefined)
    }
    document.addEventListener('pointerdown', onPress)
    return () => document.removeEventListener('pointerdown', onPress)
  }, [isHeld, track])
  const width = Math.min(TABLE_WIDTH, axis.width)
  return {
    slot,
    isHeld,
    row: state?.row ?? 0,
    place: slot && {
      left: Math.max(0, Math.min(slot.x - width / 3, axis.width - width)),
      width,
      isAbove: state!.isAbove,
    },
    pointAt: (found) => {
      if (isHeld) return
      if (!found) leave()
      else if (found.key !== state?.key) look(found, false)
    },
    hold: (found) => look(found, true),
    step: (direction) => {
      const at = clusters.findIndex(({ key, isPresent }) => (slot ? key === slot.key : isPresent))
      const next = clusters[at + direction]
      if (next) look(next, true)
    },
    stepRow: (direction, rows) =>
      setState((before) => before && { ...before, row: (before.row + direction + rows) % rows }),
    leave,
  }
}
