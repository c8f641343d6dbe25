import type { Finding } from '../watch/finding.ts'
import { changeTotal } from '../advice/changeTotal.ts'
import { planChange } from '../advice/planChange.ts'
import { priceBookFor } from '../catalogue/bookFor.ts'
import { applyChoice } from '../decisions/choice.ts'
import type { Plan } from '../machine/plan.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { AlikeMachines, fromTheEnds } from './AlikeMachines.ts'
import type { BestNotch } from './bestNotch.ts'
import { machineSurvey, type KnownSurvey } from './machineSurvey.ts'
import { shownInPlan } from '../meter/planTotals.ts'
import { add, compare, negate, subtract, ZERO, type Exact } from '../quantity/exact.ts'

/** The best that one plate of a machine can save by itself, with the rest of the plan as it is. */
export interface PlanNotch extends BestNotch {
  readonly machine: string
  readonly currency: string
  /** Above zero, in the plan's currency; undefined where there is no rate. */
  readonly saving: Exact | undefined
}

export interface PlanFinding {
  readonly machine: string
  readonly currency: string
  readonly finding: Finding
  /** In the plan's currency. */
  readonly stake: Exact | undefined
}

export interface Survey {
  /** The largest saving first. */
  readonly notches: readonly PlanNotch[]
  /** What is open on the watch lists, by cost at stake. */
  readonly findings: readonly PlanFinding[]
}

export interface SurveyInputs extends PlanPricingInputs {
  readonly plan: PlanPricingInputs['plan'] & Pick<Plan, 'currency'>
  /** What savings and stakes are given in. */
  readonly currency: string
  readonly decimals: number
}

interface OfMachine {
  readonly notches: readonly PlanNotch[]
  readonly findings: readonly PlanFinding[]
}

/** Machines whose plates are done. */
export interface SurveyProgress {
  readonly done: number
  readonly of: number
}

/**
 * All plates and watch lists of a plan, machine by machine: what to change next, and what to look at. Savings are by the
 * meter that prices the month, to the cent that the plan's total then shows less. `pricing` is of the same inputs. O(machines × choices).
 */
export function* surveyPlan(
  inputs: SurveyInputs,
  pricing = new PlanPricing(inputs),
): Generator<SurveyProgress, Survey> {
  const { plan, month, currency, decimals } = inputs
  const inPlan = (amount: Exact, own: string): Exact | undefined =>
    shownInPlan(amount, own, currency, plan, month, decimals)
  const alike = new AlikeMachines<KnownSurvey>()
  const surveys = new Map<number, OfMachine>()
  let done = 0
  for (const at of fromTheEnds(plan.machines)) {
    yield { done, of: plan.machines.length }
    done += 1
    const priced = pricing.of(plan.machines[at]!)
    if (!priced.ok) continue
    const { currency: own, total } = priced.estimate
    const { best, findings } = machineSurvey(priced, inputs, pricing, alike)
    const of = { machine: priced.resolved.machine.name, currency: own }
    surveys.set(at, {
      notches: best.map((notch) => {
        const [before, after] = [total, add(total, notch.difference)].map((amount) => inPlan(amount, own))
        return { ...of, ...notch, saving: before && after && subtract(before, after) }
      }),
      findings: findings.map((finding) => ({
        ...of,
        finding,
        stake: finding.stake && inPlan(finding.stake, own),
      })),
    })
  }
  const inOrder = plan.machines.flatMap((_, at) => surveys.get(at) ?? [])
  const notches = inOrder.flatMap((each) => each.notches)
  const findings = inOrder.flatMap((each) => each.findings)
  const byOwn = notches.sort((a, b) => byAmount(a.saving, b.saving))
  const asPlan = [
    ...byOwn.slice(0, MOST_AS_PLAN).map((notch) => ofThePlan(notch, inputs)),
    ...byOwn.slice(MOST_AS_PLAN),
  ]
  return {
    notches: asPlan.sort((a, b) => byAmount(a.saving, b.saving)),
    findings: findings.sort((a, b) => byAmount(a.stake, b.stake)),
  }
}

/** Beyond these, what a notch saves is what its own machine saves. */
const MOST_AS_PLAN = 40

/**
 * Where machines have free hours or room, or bands of traffic, in common, what one gives up another takes: such a notch saves what the whole
 * plan costs less.
 */
function ofThePlan(notch: PlanNotch, inputs: SurveyInputs): PlanNotch {
  const { plan, books, month, decimals, currency } = inputs
  const machine = plan.machines.find(({ name }) => name === notch.machine)!
  const book = priceBookFor(machine.provider, books, month)
  const isShared = book?.freeAllowances?.length || machine.trafficOutGiB !== undefined
  if (!isShared || !notch.saving) return notch
  const machines = plan.machines.map((each) => (each === machine ? applyChoice(machine, notch.choice) : each))
  const changes = planChange(inputs, { ...plan, machines })
  const { difference } = changeTotal(changes, { ...plan, currency }, month, decimals)
  return { ...notch, saving: negate(difference) }
}

const byAmount = (a: Exact | undefined, b: Exact | undefined): number => compare(b ?? ZERO, a ?? ZERO)
