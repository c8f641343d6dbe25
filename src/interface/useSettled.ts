import { useEffect, useState } from 'react'

/** A value once it has not changed for a while; undefined at first. For what is too dear to follow every stroke. */
export function useSettled<T>(value: T, milliseconds: number): T | undefined {
  const [settled, setSettled] = useState<T>()
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds)
    return () => clearTimeout(timer)
  }, [value, milliseconds])
  return settled
}
