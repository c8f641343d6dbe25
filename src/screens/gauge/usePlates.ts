'use client'

import { useMemo } from 'react'
import type { Plan } from '../../core/machine/plan.ts'
import type { PlanPricing, PricedMachine } from '../../core/meter/planPricing.ts'
import type { Plate, PlatesInputs } from '../../core/notches/plate.ts'
import { heldInputs } from '../../core/notches/heldInputs.ts'
import { platesOf } from '../../core/notches/plates.ts'
import type { WorkbenchValue } from '../workbench/WorkbenchContext'

interface MadePlates {
  readonly inputs: PlatesInputs
  readonly plates: readonly Plate[]
}

/** A priced machine is made anew with each edit, so that it stands for the plan, the books and the month as well. */
const made = new WeakMap<PricedMachine, MadePlates>()

function makePlates(priced: PricedMachine, plan: Plan, pricing: PlanPricing): MadePlates {
  let found = made.get(priced)
  if (found) return found
  const { resolved, month, account } = priced
  const inputs = heldInputs({
    resolved,
    plan,
    month,
    shared: account.planned,
    elsewhere: pricing.elsewhere(resolved.index),
  })
  made.set(priced, (found = { inputs, plates: platesOf(inputs) }))
  return found
}

/** A machine's plates and what they are made of: made once, for those who draw them at once and those who follow. */
export function usePlates(
  priced: PricedMachine,
  { state, pricing }: Pick<WorkbenchValue, 'state' | 'pricing'>,
): MadePlates {
  const { plan } = state
  return useMemo(() => makePlates(priced, plan, pricing), [priced, plan, pricing])
}
