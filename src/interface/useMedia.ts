'use client'

import { useCallback, useSyncExternalStore } from 'react'

const NO = (): boolean => false

/** Whether a media query holds, kept true as windows and pointers change. */
function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (onChange: () => void): (() => void) => {
      const list = window.matchMedia(query)
      list.addEventListener('change', onChange)
      return () => list.removeEventListener('change', onChange)
    },
    [query],
  )
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches, NO)
}

/** True where fingers point: targets are then larger, and stand further apart. */
export const useCoarsePointer = (): boolean => useMedia('(pointer: coarse)')

/** True where whoever looks asked for less that moves. */
export const useReducedMotion = (): boolean => useMedia('(prefers-reduced-motion: reduce)')

/** True where two views of a machine have room beside each other. */
export const useRoomForTwo = (): boolean => useMedia('(min-width: 1680px)')
