import { planChange, type MachineChange } from '../advice/planChange.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlanPricingInputs } from '../meter/planPricing.ts'
import { changeMany, type LeftAsItIs, type ManyChange } from './changeMany.ts'

/** A change of many machines before it is made. */
export interface ManyPreview {
  /** The machines that change, in the plan's order, as they would be. */
  readonly forms: readonly Machine[]
  /** What the change does to the month of each, and of those that share an allowance with them. */
  readonly changes: readonly MachineChange[]
  readonly left: readonly LeftAsItIs[]
  readonly unfit: readonly LeftAsItIs[]
}

/** What one change of many machines would do. O(machines), each of them priced twice. */
export function previewMany(
  inputs: PlanPricingInputs,
  names: ReadonlySet<string>,
  change: ManyChange,
): ManyPreview {
  const { machines, changed, left, unfit } = changeMany(inputs, names, change)
  const { plan } = inputs
  const weeks = change.kind === 'week' && change.added ? [...plan.weeks, change.added] : plan.weeks
  const isChanged = new Set(changed)
  return {
    forms: machines.filter(({ name }) => isChanged.has(name)),
    changes: changed.length > 0 ? planChange(inputs, { ...plan, weeks, machines }) : [],
    left,
    unfit,
  }
}
