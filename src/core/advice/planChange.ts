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
 * whose week is not, and those that share an allowance or the bands of traffic with them. By name. O(machines) to find
 * them, and those touched are priced.
 */
export function planChange(inputs: PlanPricingInputs, after: PlanPricingInputs['plan']): MachineChange[] {
  const { plan: before } = inputs
  const then = new Map(before.machines.map((machine) => [machine.name, machine]))
  const now = new Map(after.machines.map((machine) => [machine.name, machine]))
  const names = [...new Set([...then.keys(), ...now.keys()])]
  const [weeksThen, weeksNow] = [weeksOf(before), weeksOf(after)]
  const touched = new Set(names.filter((name) => !isSame(then.get(name), now.get(name), weeksThen, weeksNow)))
  const isShared = sharedWith(touched, then, now, inputs.books)
  const pricing = { then: new PlanPricing(inputs), now: new PlanPricing({ ...inputs, plan: after }) }
  return names.flatMap((name): MachineChange[] => {
    const [was, is] = [then.get(name), now.get(name)]
    if (!touched.has(name) && !isShared((is ?? was)!)) return []
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

/** Whether a machine has free hours or room, or bands of traffic, in common with one that is touched. */
function sharedWith(
  touched: ReadonlySet<string>,
  then: ReadonlyMap<string, Machine>,
  now: ReadonlyMap<string, Machine>,
  books: readonly PriceBook[],
): (machine: Machine) => boolean {
  const forms = [...touched].flatMap((name) => [then.get(name) ?? [], now.get(name) ?? []].flat())
  const providers = new Set(forms.map(({ provider }) => provider))
  const withTraffic = new Set(forms.filter(hasTraffic).map(({ provider }) => provider))
  const withFree = new Set(
    books.filter(({ freeAllowances }) => freeAllowances?.length).map(({ provider }) => provider.id),
  )
  return (machine) =>
    (providers.has(machine.provider) && withFree.has(machine.provider)) ||
    (withTraffic.has(machine.provider) && hasTraffic(machine))
}

const hasTraffic = ({ trafficOutGiB }: Machine): boolean => trafficOutGiB !== undefined
