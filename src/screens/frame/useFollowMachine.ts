'use client'

import { useEffect, useRef } from 'react'
import type { Machine } from '../../core/machine/plan.ts'
import type { Address } from '../workbench/address.ts'

/**
 * When the open machine goes away or gets another name, by undo or in another tab, the address follows to the one
 * that now stands in its place. A link to a machine that never was here is left as it is, and is answered.
 */
export function useFollowMachine(
  machines: readonly Machine[],
  wanted: string | undefined,
  mend: (part: Partial<Address>) => void,
): void {
  const seen = useRef(new Set<string>())
  const place = useRef(0)
  useEffect(() => {
    for (const { name } of machines) seen.current.add(name)
  }, [machines])
  useEffect(() => {
    const at = machines.findIndex(({ name }) => name === wanted)
    if (at >= 0) place.current = at
    else if (wanted !== undefined && seen.current.has(wanted)) {
      mend({ machine: machines[Math.min(place.current, machines.length - 1)]?.name })
    }
  }, [machines, wanted, mend])
}
