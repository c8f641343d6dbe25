'use client'

import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { useWatched } from '../watch/useWatched'
import { WatchList } from '../watch/WatchList'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { usePlates } from './usePlates'

/** The open machine's watch list, beside its plates. */
export function GaugeWatch() {
  const { result } = useWorkbench()
  return result?.ok ? <Watched key={result.resolved.machine.name} priced={result} /> : null
}

function Watched({ priced }: { readonly priced: PricedMachine }) {
  const { inputs, plates } = usePlates(priced, useWorkbench())
  const watched = useWatched(priced, inputs, plates)
  return watched ? <WatchList {...watched} /> : null
}
