import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import type { Exact } from '../quantity/exact.ts'

/** What a change of the plan does to one machine's month, in the currency of its price book. */
export interface MachineChange {
  readonly name: string
  readonly currency: string
  /** Undefined where it has no price, or is not in the plan. */
  readonly before: Exact | undefined
  readonly after: Exact | undefined
}

/**
 * Every machine that a change of a plan can touch, in the plan's order: those that are not the same any more, those
 * whose week is not, and those that share an allowance with them. By name. O(machines) to find them, and
 * those touched are priced.
 */
export function planChange(inputs: PlanPricingInputs, after: PlanPricingInputs['plan']): MachineChange[] {
  const { plan: before } = inputs
  const then = new Map(before.machines.map((machine) => [machine.name, machine]))
  const now = new Map(after.machines.map((machine) => [machine.name, machine]))
  const names = [...new Set([...then.keys(), ...now.keys()])]
  const [weeksThen, weeksNow] = [weeksOf(before), weeksOf(after)]
  const touched = new Set(names.filter((name) => !isSame(then.get(name), now.get(name), weeksThen, weeksNow)))
  const sharing = sharingProviders(touched, then, now, inputs.books)
  const pricing = { then: new PlanPricing(inputs), now: new PlanPricing({ ...inputs, plan: after }) }
  return names.flatMap((name): MachineChange[] => {
    const [was, is] = [then.get(name), now.get(name)]
    const provider = (is ?? was)!.provider
    if (!touched.has(name) && !sharing.has(provider)) return []
    const old = was && pricing.then.of(was)
    const next = is && pricing.now.of(is)
    const priced = next?.ok ? next : old?.ok ? old : undefined
    if (!priced) return []
    return [
      {
        name,
        currency: priced.estimate.currency,
        before: old?.ok ? old.estimate.total : undefined,
        after: next?.ok ? next.estimate.total : undefined,
      },
    ]
  })
}

/** The plan with one of its weeks in another form. */
export const withWeek = <P extends Pick<Plan, 'weeks'>>(plan: P, week: WeekPlan): P => ({
  ...plan,
  weeks: plan.weeks.map((each) => (each.id === week.id ? week : each)),
})

const weeksOf = ({ weeks }: PlanPricingInputs['plan']): ReadonlyMap<string, WeekPlan> =>
  new Map(weeks.map((week) => [week.id, week]))

const isSame = (
  was: Machine | undefined,
  is: Machine | undefined,
  then: ReadonlyMap<string, WeekPlan>,
  now: ReadonlyMap<string, WeekPlan>,
): boolean => was !== undefined && was === is && then.get(was.week) === now.get(was.week)

/** Providers of touched machines whose machines have free hours or room in common. */
function sharingProviders(
  touched: ReadonlySet<string>,
  then: ReadonlyMap<string, Machine>,
  now: ReadonlyMap<string, Machine>,
  books: readonly PriceBook[],
): ReadonlySet<string> {
  const shared = new Set(books.filter(({ freeAllowances }) => freeAllowances?.length).map(({ provider }) => provider.id)) // prettier-ignore
  const providers = [...touched].flatMap((name) => [then.get(name)?.provider, now.get(name)?.provider])
  return new Set(providers.filter((id) => id !== undefined && shared.has(id)) as string[])
}
