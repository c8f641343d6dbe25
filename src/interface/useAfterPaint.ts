'use client'

import { useEffect, useState } from 'react'

/** No frame is drawn in a tab that is not seen; it follows after this long all the same. */
const UNSEEN_MS = 100

/**
 * A value as it was until the next frame has been drawn, and then as it is: for what may follow a moment after what the
 * hand moves, so that it never delays it.
 */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value)
  useEffect(() => {
    let isDone = false
    let timer = 0
    const follow = (): void => {
      if (isDone) return
      isDone = true
      // Not a transition: fields that remember what they drew last are not made to be drawn in part.
      setShown(() => value)
    }
    // A frame callback runs before the frame is drawn, a task that it starts comes after.
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(follow)
    })
    const unseen = window.setTimeout(follow, UNSEEN_MS)
    return () => {
      isDone = true
      cancelAnimationFrame(frame)
      window.clearTimeout(timer)
      window.clearTimeout(unseen)
    }
  }, [value])
  return shown
}
