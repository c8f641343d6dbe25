'use client'

import { useEffect, useState } from 'react'

/** What is dear to draw is not put off for ever where something always moves. */
const LONGEST_WAIT_MS = 1_000

/** A value as it was until nothing else is to be done: for what is dearer to draw than all that it stands beside. */
export function useWhenIdle<T>(value: T): T {
  const [shown, setShown] = useState(value)
  useEffect(() => {
    if (value === shown) return
    const follow = (): void => setShown(() => value)
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(follow, 50)
      return () => clearTimeout(timer)
    }
    const asked = requestIdleCallback(follow, { timeout: LONGEST_WAIT_MS })
    return () => cancelIdleCallback(asked)
  }, [value, shown])
  return shown
}
