import { withOffPlan } from '../off/offPlan.ts'
import type { Credit, Plan } from '../machine/plan.ts'
import {
  PlanPricing,
  type MachineIssue,
  type PlanPricingInputs,
  type PricedMachine,
} from '../meter/planPricing.ts'
import { planCurrency, planTotals, type PlanTotals } from '../meter/planTotals.ts'
import { negate, type Exact } from '../quantity/exact.ts'
import { budgetReach, type BudgetReach } from './budgetReach.ts'
import { creditRunway, type CreditRunway } from './creditRunway.ts'
import { changeTotal } from '../advice/changeTotal.ts'
import { planChange } from '../advice/planChange.ts'
import { bestOfMachines } from './bestOfMachines.ts'
import { creditCurve, withNotches, type CreditCurve } from './creditCurve.ts'
import { paidByCredit } from './paidByCredit.ts'
import { PlanSpending } from './planSpending.ts'
import { leadingSurvey, type LeadingSurvey } from './leadingSurvey.ts'
import { surveyPlan, type SurveyProgress } from './surveyPlan.ts'
import { shownSplit, type ShownSplit } from './shownSplit.ts'
import { planAhead, type AheadMonth } from './planAhead.ts'
import { quotaUse, type QuotaUse } from './quotaUse.ts'

type WholePlan = PlanPricingInputs['plan'] & Pick<Plan, 'currency' | 'taxPercent' | 'budget' | 'credit'>

export interface OverviewInputs extends Omit<PlanPricingInputs, 'plan'> {
  readonly plan: WholePlan
  /** Decimals that amounts are shown with. */
  readonly decimals: number
}

/** One machine's month; `shown` in the plan's currency where there is a rate. */
type MachineRow = { readonly name: string } & (
  | { readonly priced: true; readonly currency: string; readonly shown: ShownSplit | undefined }
  | { readonly priced: false; readonly issues: readonly MachineIssue[] }
)

/** What is known of a plan, part by part, the quickest first. */
export type OverviewPart =
  | {
      readonly kind: 'month'
      readonly rows: readonly MachineRow[]
      readonly totals: PlanTotals
    }
  | {
      readonly kind: 'limits'
      readonly currency: string
      /** By true hours, in either reading. */
      readonly budget: BudgetReach | undefined
      /** Machines that are in no total of the month, for want of a price or an exchange rate. */
      readonly leftOut: readonly string[]
      readonly quotas: readonly QuotaUse[]
    }
  | { readonly kind: 'ahead'; readonly months: readonly AheadMonth[] }
  | { readonly kind: 'credit'; readonly planned: CreditRunway; readonly alwaysOn: CreditRunway }
  | { readonly kind: 'progress'; readonly progress: SurveyProgress }
  | { readonly kind: 'survey'; readonly survey: LeadingSurvey; readonly together: Together | undefined }
  | { readonly kind: 'curve'; readonly curve: CreditCurve }

/** All that the bench shows of a plan in a month. */
export function* planOverview(inputs: OverviewInputs): Generator<OverviewPart, void> {
  const { plan, month, decimals } = inputs
  const pricing = new PlanPricing(inputs)
  const results = plan.machines.map((machine) => ({ machine, result: pricing.of(machine) }))
  const priced = results.flatMap(({ result }) => (result.ok ? [result] : []))
  const currency = planCurrency(
    plan,
    priced.map(({ estimate }) => estimate),
  )
  const known = { ...plan, ...(currency !== undefined && { currency }) }
  const totals = planTotals(
    known,
    priced.map(({ estimate }) => estimate),
    month,
    decimals,
  )
  yield {
    kind: 'month',
    rows: results.map(({ machine: { name }, result }) =>
      result.ok ? rowOf(result, totals.currency, inputs) : { name, priced: false, issues: result.issues },
    ),
    totals,
  }
  const spending = new PlanSpending({ ...inputs, plan: known }, { month, pricing })
  // Money is spent by true hours, however a month is read: budget and credit go by those.
  const truly =
    inputs.reading === 'calendar'
      ? spending
      : new PlanSpending({ ...inputs, plan: known, reading: 'calendar' })
  const spent = truly.of(month)
  const trueTotals = planTotals(
    known,
    spent.parts.map(({ estimate }) => estimate),
    month,
    decimals,
  )
  yield {
    kind: 'limits',
    currency: totals.currency,
    leftOut: spent.leftOut,
    budget: plan.budget === undefined ? undefined : budgetReach(spent, plan.budget, trueTotals.planned),
    quotas: quotaUse(priced),
  }
  yield { kind: 'ahead', months: planAhead({ ...inputs, plan: known }, spending, month, decimals) }
  const { credit } = plan
  const spendingOf = (paying: Credit): PlanSpending =>
    paying.provider === undefined
      ? truly
      : new PlanSpending({ ...inputs, plan: paidByCredit(known, paying), reading: 'calendar' })
  const planned = credit && creditRunway(spendingOf(credit), credit)
  if (planned) {
    const alwaysOn = creditRunway(
      new PlanSpending({
        ...inputs,
        plan: neverOffPlan(paidByCredit(known, credit)),
        reading: 'calendar',
      }),
      credit,
    )
    yield { kind: 'credit', planned, alwaysOn }
  }
  const steps = surveyPlan({ ...inputs, currency: totals.currency }, pricing)
  for (let step = steps.next(); ; step = steps.next()) {
    if (!step.done) {
      yield { kind: 'progress', progress: step.value }
      continue
    }
    const survey = leadingSurvey(step.value)
    yield { kind: 'survey', survey, together: savedTogether(survey, { ...inputs, plan: known }) }
    if (planned?.end.kind === 'used-up') {
      yield {
        kind: 'curve',
        curve: creditCurve({ ...inputs, plan: known, reading: 'calendar' }, credit!, step.value.notches),
      }
    }
    return
  }
}

/** The best change of each of the first machines, taken together. */
interface Together {
  readonly machines: number
  /** What the plan's total then shows less; in its own currency. */
  readonly saving: Exact
}

const MOST_TOGETHER = 5

/** Priced together and not added up: machines may share an allowance. */
function savedTogether({ notches }: LeadingSurvey, inputs: OverviewInputs): Together | undefined {
  const { plan, month, decimals } = inputs
  const best = bestOfMachines(notches.first, plan).slice(0, MOST_TOGETHER)
  if (best.length < 2) return undefined
  const changes = planChange(inputs, withNotches(plan, best))
  return { machines: best.length, saving: negate(changeTotal(changes, plan, month, decimals).difference) }
}

/** The plan with nothing ever switched off. */
const neverOffPlan = <P extends PlanPricingInputs['plan']>(plan: P): P => ({
  ...plan,
  machines: plan.machines.map((machine) => withOffPlan(machine, { off: 'running' })),
})

function rowOf(priced: PricedMachine, to: string, { plan, month, decimals }: OverviewInputs): MachineRow {
  const { resolved, estimate } = priced
  const shown = shownSplit(priced, to, plan, month, decimals)
  return { name: resolved.machine.name, priced: true, currency: estimate.currency, shown }
}
