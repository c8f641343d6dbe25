'use client'

import { useEffect, useRef } from 'react'
import type { Machine } from '../../core/machine/plan.ts'
import type { Address } from './address.ts'

/**
 * When the open machine goes away or gets another name, by undo or in another tab, the address follows to the one
 * that now stands in its place. A link to a machine that never was here is left as it is, and is answered.
 */
export function useFollowMachine(
  machines: readonly Machine[],
  open: string | undefined,
  mend: (part: Partial<Address>) => void,
): void {
  const before = useRef<{ readonly machines: readonly Machine[]; readonly at: number } | undefined>(undefined)
  useEffect(() => {
    const last = before.current
    // The address may lag behind the plan for a moment; what stood open before it is then still the last known place.
    const at = open === undefined ? (last?.at ?? -1) : machines.findIndex(({ name }) => name === open)
    before.current = { machines, at }
    if (open !== undefined || !last || last.at < 0 || last.machines === machines) return
    mend({ machine: machines[Math.min(last.at, machines.length - 1)]?.name })
  }, [machines, open, mend])
}
