'use client'

import { useSearchParams } from 'next/navigation'
import { useCallback, useMemo } from 'react'
import { readAddress, writeAddress, type Address } from '../workbench/address.ts'

interface Going {
  /** What the address bar holds. */
  readonly address: Address
  /** Goes elsewhere; the back button comes back. */
  readonly go: (part: Partial<Address>) => void
  /** Mends the address where it stands, without a step for the back button. */
  readonly mend: (part: Partial<Address>) => void
}

export function useAddress(): Going {
  const query = useSearchParams()
  const address = useMemo(() => readAddress(new URLSearchParams(query.toString())), [query])
  const go = useCallback(
    (part: Partial<Address>) => window.history.pushState(null, '', writeAddress({ ...address, ...part })),
    [address],
  )
  const mend = useCallback(
    (part: Partial<Address>) => window.history.replaceState(null, '', writeAddress({ ...address, ...part })),
    [address],
  )
  return { address, go, mend }
}
