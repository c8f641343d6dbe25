'use client'

import { useLayoutEffect, useRef, useState, type RefObject } from 'react'

/**
 * The width of an element in whole pixels, at least `least`, kept true as the window changes. `first` holds until it stands
 * on the page.
 */
export function useWidth<Of extends Element>(
  first: number,
  least = 1,
): readonly [RefObject<Of | null>, number] {
  const ref = useRef<Of>(null)
  const [width, setWidth] = useState(first)
  useLayoutEffect(() => {
    if (!ref.current) return
    const take = (pixels: number): void => setWidth(Math.max(least, Math.floor(pixels)))
    const measure = new ResizeObserver(([entry]) => entry && take(entry.contentRect.width))
    take(ref.current.getBoundingClientRect().width)
    measure.observe(ref.current)
    return () => measure.disconnect()
  }, [least])
  return [ref, width]
}
