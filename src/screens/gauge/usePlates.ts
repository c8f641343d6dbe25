'use client'

import { useMemo } from 'react'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { platesOf } from '../../core/notches/plates.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { Plate, PlatesInputs } from '../../core/notches/plate.ts'

/** The open machine's plates and what they are made of; the same objects as long as nothing of them changes. */
export function usePlates({ resolved, month, account }: PricedMachine): {
  readonly inputs: PlatesInputs
  readonly plates: readonly Plate[]
} {
  const { state, pricing } = useWorkbench()
  const { plan } = state
  const elsewhere = useMemo(() => pricing.elsewhere(resolved.index), [pricing, resolved.index])
  const shared = account.planned
  const inputs = useMemo(
    () => ({ resolved, plan, month, shared, elsewhere }),
    [resolved, plan, month, shared, elsewhere],
  )
  const plates = useMemo(() => platesOf(inputs), [inputs])
  return { inputs, plates }
}
