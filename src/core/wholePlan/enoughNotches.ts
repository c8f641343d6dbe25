import { applyChoice } from '../decisions/choice.ts'
import type { Credit, Machine } from '../machine/plan.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { compare, ZERO } from '../quantity/exact.ts'
import type { PlanNotch } from './surveyPlan.ts'
import { creditRunway, type CreditRunway } from './creditRunway.ts'
import { PlanSpending, type SpendingInputs } from './planSpending.ts'

export interface EnoughNotches {
  readonly notches: readonly PlanNotch[]
  /** The credit with all of them taken. */
  readonly runway: CreditRunway
}

/**
 * The fewest notches that make the credit last until it expires: the largest first, as many as it takes, less those
 * that turn out not to be needed. Each is the best of its plate, so no other set of as many saves more where they do
 * not hang on each other. Commitments are not among them: they outlive the credit. Undefined where all of them are not
 * enough. O(notches) to see that they fit together, and O(log notches) runways.
 */
export function enoughNotches(
  inputs: SpendingInputs & Pick<PlanPricingInputs, 'month'>,
  credit: Credit,
  notches: readonly PlanNotch[],
): EnoughNotches | undefined {
  const worth = together(inputs, notches.filter(helps))
  const runwayWith = (some: readonly PlanNotch[]): CreditRunway =>
    creditRunway(new PlanSpending({ ...inputs, plan: withNotches(inputs.plan, some) }), credit)
  const lasts = (some: readonly PlanNotch[]): boolean => runwayWith(some).end.kind === 'expires'
  if (!lasts(worth)) return undefined
  let [low, high] = [0, worth.length]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (lasts(worth.slice(0, middle))) high = middle
    else low = middle + 1
  }
  let enough = worth.slice(0, low)
  for (const notch of [...enough].reverse()) {
    const fewer = enough.filter((each) => each !== notch)
    if (lasts(fewer)) enough = fewer
  }
  return { notches: enough, runway: runwayWith(enough) }
}

const helps = ({ saving, losses }: PlanNotch): boolean =>
  saving !== undefined && compare(saving, ZERO) > 0 && losses.every(({ kind }) => kind !== 'bound')

/** Those that fit when taken one after another; what does not fit with a larger one is passed over. */
function together(
  inputs: SpendingInputs & Pick<PlanPricingInputs, 'month'>,
  notches: readonly PlanNotch[],
): PlanNotch[] {
  const pricing = new PlanPricing(inputs)
  const forms = new Map(inputs.plan.machines.map((machine) => [machine.name, machine]))
  const faults = (machine: Machine): number => {
    const found = pricing.of(machine)
    return found.ok ? fitReasons(found.resolved).length : Infinity
  }
  return notches.filter(({ machine, choice }) => {
    const form = forms.get(machine)!
    const changed = applyChoice(form, choice)
    if (faults(changed) > faults(form)) return false
    forms.set(machine, changed)
    return true
  })
}

/** The plan with these choices taken, and nothing else changed. */
export function withNotches<P extends { readonly machines: readonly Machine[] }>(
  plan: P,
  notches: readonly PlanNotch[],
): P {
  const byMachine = new Map<string, PlanNotch[]>()
  for (const notch of notches) byMachine.set(notch.machine, [...(byMachine.get(notch.machine) ?? []), notch])
  return {
    ...plan,
    machines: plan.machines.map((machine) =>
      (byMachine.get(machine.name) ?? []).reduce((form, { choice }) => applyChoice(form, choice), machine),
    ),
  }
}
