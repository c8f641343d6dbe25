'use client'

import { useSyncExternalStore } from 'react'

const QUERY = '(pointer: coarse)'

const subscribe = (onChange: () => void): (() => void) => {
  const list = window.matchMedia(QUERY)
  list.addEventListener('change', onChange)
  return () => list.removeEventListener('change', onChange)
}

/** True where fingers point: targets are then larger, and stand further apart. */
export const useCoarsePointer = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(QUERY).matches,
    () => false,
  )
