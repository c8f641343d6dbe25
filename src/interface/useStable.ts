import { useCallback, useLayoutEffect, useRef } from 'react'

/** A function that stays the same for those that are drawn anew only when what they are given changes; it does what the last one did. */
export function useStable<Args extends readonly unknown[]>(
  act: (...args: Args) => void,
): (...args: Args) => void {
  const latest = useRef(act)
  useLayoutEffect(() => {
    latest.current = act
  })
  return useCallback((...args: Args) => latest.current(...args), [])
}
