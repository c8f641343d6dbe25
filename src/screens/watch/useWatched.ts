'use client'

import { useDeferredValue, useMemo } from 'react'
import type { WatchList } from '../../core/watch/watchList.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import type { Plate, PlatesInputs } from '../../core/notches/plate.ts'
import { fetchedOnce, useFetched } from '../../interface/useFetched.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

export interface Watched {
  readonly list: WatchList
  readonly resolved: ResolvedMachine
  readonly currency: string
}

const rules = fetchedOnce(() => import('../../core/watch/watchList.ts'))

/**
 * The open machine's watch list. It may follow a moment after the plates: those are what a hand moves. Undefined until its
 * rules have come.
 */
export function useWatched(
  priced: PricedMachine,
  inputs: PlatesInputs,
  plates: readonly Plate[],
): Watched | undefined {
  const watching = useFetched(rules)
  const { state } = useWorkbench()
  const { machines } = state.plan
  const { estimate } = priced
  const together = useMemo(
    () => ({ ...inputs, plates, estimate, machines }),
    [inputs, plates, estimate, machines],
  )
  const watched = useDeferredValue(together)
  return useMemo(
    () =>
      watching && {
        list: watching.watchList(watched),
        resolved: watched.resolved,
        currency: watched.estimate.currency,
      },
    [watched, watching],
  )
}
