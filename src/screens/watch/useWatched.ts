'use client'

import { useDeferredValue, useMemo } from 'react'
import { watchList, type WatchList } from '../../core/watch/watchList.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import type { Plate, PlatesInputs } from '../../core/notches/plate.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export interface Watched {
  readonly list: WatchList
  readonly resolved: ResolvedMachine
  readonly currency: string
}

/** The open machine's watch list. It may follow a moment after the plates: those are what a hand moves. */
export function useWatched(priced: PricedMachine, inputs: PlatesInputs, plates: readonly Plate[]): Watched {
  const { state } = useWorkbench()
  const { machines } = state.plan
  const { estimate } = priced
  const together = useMemo(
    () => ({ ...inputs, plates, estimate, machines }),
    [inputs, plates, estimate, machines],
  )
  const watched = useDeferredValue(together)
  return useMemo(
    () => ({
      list: watchList(watched),
      resolved: watched.resolved,
      currency: watched.estimate.currency,
    }),
    [watched],
  )
}
