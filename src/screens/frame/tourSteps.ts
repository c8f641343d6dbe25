import type { Machine, Plan } from '../../core/machine/plan.ts'
import { changeTotal } from '../../core/advice/changeTotal.ts'
import { planChange } from '../../core/advice/planChange.ts'
import type { PlanPricingInputs } from '../../core/meter/planPricing.ts'
import { withOffPlan } from '../../core/off/offPlan.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import { SHOWN_DECIMALS } from '../../wording/money'
import type { View } from '../workbench/views.ts'

/** One stop of the look around the demo: where, what is to be seen, and a real change that shows what it is worth. */
export interface TourStep {
  readonly view: View
  readonly machine: string
  readonly says: string
  /** What the press says, and does. */
  readonly deed: string
  readonly change: (machine: Machine) => Machine
}

export const TOUR_STEPS: readonly TourStep[] = [
  {
    view: 'bench',
    machine: 'fare-gate-soak',
    says: 'Every bar is a machine’s month. The hatched part leaks: fare-gate-soak is needed at night, and runs all month.',
    deed: 'Switch it off outside its hours',
    change: (machine) => withOffPlan(machine, { off: 'deallocated' }),
  },
  {
    view: 'gauge',
    machine: 'timetable-loadgen',
    says: 'Every plate is a decision, every slot a choice; left of the line it costs less. What the machine has now stays, until you let it go. Gdynia is near enough, in the EU, and sells the same for less.',
    deed: 'Move it to Gdynia',
    change: (machine) => ({ ...machine, region: 'gdynia', zone: 'c' }),
  },
  {
    view: 'gauge',
    machine: 'crew-roster-db',
    says: 'Off is not always free: this machine is stopped at night, and its hardware is charged on.',
    deed: 'Give the hardware back when off',
    change: (machine) => withOffPlan(machine, { off: 'deallocated' }),
  },
  {
    view: 'week',
    machine: 'delay-forecast',
    says: 'The week says when a machine is needed: paint on it, and the money follows. This one works two shifts; the depot’s day might do.',
    deed: 'Give it the depot’s hours',
    change: (machine) => ({ ...machine, week: 'depot-day' }),
  },
]

interface TourChange {
  readonly machine: Machine
  /** What the plan's month then shows more, in its currency. */
  readonly difference: Exact
  readonly currency: string
}

/** What a step changes and what that is worth; undefined where the plan does not have its machine, or no price for it. */
export function tourChange(
  step: TourStep,
  plan: Plan,
  inputs: Omit<PlanPricingInputs, 'plan'>,
): TourChange | undefined {
  const machine = plan.machines.find(({ name }) => name === step.machine)
  if (!machine) return undefined
  const changed = step.change(machine)
  const machines = plan.machines.map((each) => (each === machine ? changed : each))
  const changes = planChange({ ...inputs, plan }, { ...plan, machines })
  const { difference, currency, leftOut } = changeTotal(changes, plan, inputs.month, SHOWN_DECIMALS)
  return leftOut.length > 0 ? undefined : { machine: changed, difference, currency }
}
