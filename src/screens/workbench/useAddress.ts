'use client'

import { useSearchParams } from 'next/navigation'
import { useCallback, useMemo } from 'react'
import { readAddress, writeAddress, type Address } from './address.ts'

/** What the address bar holds, and a way to go elsewhere that the back button undoes. */
export function useAddress(): readonly [Address, (part: Partial<Address>) => void] {
  const query = useSearchParams()
  const address = useMemo(() => readAddress(new URLSearchParams(query.toString())), [query])
  const go = useCallback(
    (part: Partial<Address>) => window.history.pushState(null, '', writeAddress({ ...address, ...part })),
    [address],
  )
  return [address, go]
}
