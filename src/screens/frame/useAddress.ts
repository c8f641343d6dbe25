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

/** What the bar holds by now: the page may not have followed yet where it was changed a moment ago. */
const present = (): Address => readAddress(new URLSearchParams(window.location.search))

export function useAddress(): Going {
  const query = useSearchParams()
  const address = useMemo(() => readAddress(new URLSearchParams(query.toString())), [query])
  const go = useCallback(
    (part: Partial<Address>) => window.history.pushState(null, '', writeAddress({ ...present(), ...part })),
    [],
  )
  const mend = useCallback(
    (part: Partial<Address>) =>
      window.history.replaceState(null, '', writeAddress({ ...present(), ...part })),
    [],
  )
  return { address, go, mend }
}
