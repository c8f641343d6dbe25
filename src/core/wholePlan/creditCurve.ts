import { applyChoice } from '../decisions/choice.ts'
import type { Credit, Machine } from '../machine/plan.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { compare, ZERO } from '../quantity/exact.ts'
import type { PlanNotch } from './surveyPlan.ts'
import { creditRunway, type CreditRunway } from './creditRunway.ts'
import { paidByCredit } from './paidByCredit.ts'
import { PlanSpending, type SpendingInputs } from './planSpending.ts'

/** How long the credit lasts once the first so many changes are taken. */
export interface CurvePoint {
  readonly count: number
  readonly end: CreditRunway['end']
}

export interface CreditCurve {
  /** In the order in which they are taken, and no more than it takes for the credit to last. */
  readonly changes: readonly PlanNotch[]
  /** How many of them, the first, cost nothing to live with: nothing is lost and nothing moves. */
  readonly lossless: number
  /** From none on; not one for every count where there are many. */
  readonly points: readonly CurvePoint[]
}

/** Each is a runway of the whole plan. */
const MOST_POINTS = 40
const MOST_CHANGES = 200

/**
 * How long a credit lasts against how much is changed: changes that cost nothing to live with first, the largest saving
 * first among these and among the rest, until it lasts. Commitments are not among them: they outlive the credit. What
 * does not fit with a change before it is passed over. O(log changes + points) runways.
 */
export function creditCurve(
  inputs: SpendingInputs & Pick<PlanPricingInputs, 'month'>,
  credit: Credit,
  notches: readonly PlanNotch[],
): CreditCurve {
  const paid = new Set(paidByCredit(inputs.plan, credit).machines.map(({ name }) => name))
  const worth = notches.filter((notch) => helps(notch) && paid.has(notch.machine))
  const inOrder = [...worth.filter(isLossless), ...worth.filter((notch) => !isLossless(notch))]
  const all = together(inputs, inOrder).slice(0, MOST_CHANGES)
  const ends = new Map<number, CreditRunway['end']>()
  const endOf = (count: number): CreditRunway['end'] => {
    let end = ends.get(count)
    if (!end) {
      // Whoever leaves the provider whose credit it is spends nothing of it any more.
      const plan = paidByCredit(withNotches(inputs.plan, all.slice(0, count)), credit)
      ;({ end } = creditRunway(new PlanSpending({ ...inputs, plan }), credit))
      ends.set(count, end)
    }
    return end
  }
  let [low, high] = [0, all.length]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (endOf(middle).kind === 'expires') high = middle
    else low = middle + 1
  }
  const changes = all.slice(0, low)
  return {
    changes,
    lossless: changes.filter(isLossless).length,
    points: countsUpTo(low).map((count) => ({ count, end: endOf(count) })),
  }
}

/** Every count, or as many as are drawn, evenly. */
function countsUpTo(most: number): number[] {
  const points = Math.min(most, MOST_POINTS)
  return Array.from({ length: points + 1 }, (_, i) => Math.round((i * most) / Math.max(1, points)))
}

const isLossless = ({ losses }: PlanNotch): boolean => losses.length === 0

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
