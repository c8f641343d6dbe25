import { ownValue } from '../ownValue.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { bookFor } from '../catalogue/bookFor.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { eased, isEased, type HeldNeed } from '../fit/needId.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { apartOf } from '../machine/apart.ts'
import { type ApartGroup, type ApartNeed } from '../machine/apartGroup.ts'
import type { Machine, Plan, Tags } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { PlanPricing, type MachineIssue, type PlanPricingInputs } from '../meter/planPricing.ts'
import { withOffPlan, type OffPlan } from '../off/offPlan.ts'

/** One change for many machines. */
export type ManyChange =
  /** `added` is the week where the plan does not hold it yet. */
  | { readonly kind: 'week'; readonly week: string; readonly added?: WeekPlan }
  | { readonly kind: 'off'; readonly off: OffPlan }
  /** For machines of that provider. */
  | { readonly kind: 'region'; readonly provider: string; readonly region: string }
  | { readonly kind: 'terms'; readonly provider: string; readonly terms: string }
  /** An undefined value takes the tag away. */
  | { readonly kind: 'tag'; readonly key: string; readonly value: string | undefined }
  | { readonly kind: 'cost-centre'; readonly costCentre: string | undefined }
  /** First and last day; what is undefined is taken away. */
  | { readonly kind: 'life'; readonly firstDay: string | undefined; readonly lastDay: string | undefined }
  /** A need, which every machine takes; those that do not meet it are named. None takes it away. */
  | { readonly kind: 'jurisdictions'; readonly jurisdictions: readonly string[] }
  /** What they have now and may lose from now on, or not any more. */
  | { readonly kind: 'as-now'; readonly needs: readonly HeldNeed[]; readonly mayGo: boolean }
  /** The group that they must not fall with, met or not; `added` is the group where the plan does not hold it yet. */
  | { readonly kind: 'apart'; readonly apart: ApartNeed | undefined; readonly added?: ApartGroup }

/** A machine that cannot take the change, and stays as it is. */
export interface LeftAsItIs {
  readonly name: string
  readonly reasons: readonly FitReason[]
  readonly issues: readonly MachineIssue[]
  /** The change is for machines of another provider. */
  readonly otherProvider: boolean
}

interface ChangedMany {
  /** In the plan's order; those that stay the same are the same objects. */
  readonly machines: readonly Machine[]
  readonly changed: readonly string[]
  readonly left: readonly LeftAsItIs[]
  /** Changed, and not meeting the need that is said, or no longer fitting by it: a need is said, met or not. */
  readonly unfit: readonly LeftAsItIs[]
}

/**
 * Changes the machines that can take it: those that would lose their price, or have a reason not to fit that they do
 * not have now, stay as they are and are named. O(machines).
 */
export function changeMany(
  inputs: PlanPricingInputs,
  names: ReadonlySet<string>,
  change: ManyChange,
): ChangedMany {
  const pricing = new PlanPricing(inputs)
  const changed: string[] = []
  const left: LeftAsItIs[] = []
  const unfit: LeftAsItIs[] = []
  const plan = withAdded(inputs.plan, change)
  const priced = plan === inputs.plan ? pricing : new PlanPricing({ ...inputs, plan })
  // Of a group each stands with the others as they are changed by then; and all of them are in it at once.
  let standing: readonly Machine[] = plan.machines
  if (change.kind === 'apart') {
    standing = standing.map((machine) =>
      names.has(machine.name) ? (formsOf(machine, change, inputs)[0] ?? machine) : machine,
    )
  }
  const reasonsOf = (resolved: ResolvedMachine): readonly FitReason[] => {
    const { apart: _, ...alone } = resolved
    const apart = apartOf(resolved.machine, { ...plan, machines: standing })
    return fitReasons(apart ? { ...alone, apart } : alone)
  }
  const machines = inputs.plan.machines.map((machine) => {
    if (!names.has(machine.name)) return machine
    const { name } = machine
    if ('provider' in change && change.provider !== machine.provider) {
      left.push({ name, reasons: [], issues: [], otherProvider: true })
      return machine
    }
    const forms = formsOf(machine, change, inputs)
    if (forms.length === 0) return machine
    const before = pricing.of(machine)
    const known = new Set(before.ok ? fitReasons(before.resolved).map(({ code }) => code) : [])
    // Another need of the kind is another reason, though it has the same code.
    if (change.kind === 'jurisdictions') known.delete('jurisdiction-not-allowed')
    if (change.kind === 'apart' || change.kind === 'region') for (const code of OF_GROUPS) known.delete(code)
    const faults = forms.map((form): LeftAsItIs & { readonly form: Machine } => {
      const after = priced.of(form)
      const reasons = after.ok ? reasonsOf(after.resolved).filter(({ code }) => !known.has(code)) : []
      return { form, name, reasons, issues: after.ok || !before.ok ? [] : after.issues, otherProvider: false }
    })
    const fits = faults.find(({ reasons, issues }) => reasons.length + issues.length === 0)
    if (fits) {
      changed.push(name)
      const { form } = fits
      if (form.needs.apart) standing = standing.map((each) => (each.name === name ? form : each))
      return form
    }
    const { form, ...why } = faults[0]!
    if (change.kind === 'jurisdictions' || change.kind === 'apart') {
      unfit.push(why)
      changed.push(name)
      return form
    }
    left.push(why)
    return machine
  })
  return { machines, changed, left, unfit }
}

const OF_GROUPS = ['shares-zone', 'shares-fault-domain', 'shares-region'] as const

/** The plan with the week or group that a change brings along. */
function withAdded(plan: PlanPricingInputs['plan'], change: ManyChange): PlanPricingInputs['plan'] {
  if (change.kind === 'week' && change.added) return { ...plan, weeks: [...plan.weeks, change.added] }
  if (change.kind === 'apart' && change.added)
    return { ...plan, apartGroups: [...(plan.apartGroups ?? []), change.added] }
  return plan
}

/** The machine with the change, in each zone that it could be in; none where it is so already. */
function formsOf(
  machine: Machine,
  change: ManyChange,
  { books, month }: Pick<PlanPricingInputs, 'books' | 'month'>,
): Machine[] {
  switch (change.kind) {
    case 'week':
      return machine.week === change.week ? [] : [{ ...machine, week: change.week }]
    case 'off': {
      const form = withOffPlan(machine, change.off)
      return form === machine ? [] : [form]
    }
    case 'terms':
      return machine.terms === change.terms ? [] : [{ ...machine, terms: change.terms }]
    case 'region': {
      const { region } = change
      if (machine.region === region) return []
      const index = bookFor(machine.provider, books, month)
      const zones = (index.ok ? index.value.regions.get(region)?.region.zones : undefined) ?? []
      const order = [...zones].sort((a, b) => Number(b === machine.zone) - Number(a === machine.zone))
      return (order.length > 0 ? order : [machine.zone]).map((zone) => ({ ...machine, region, zone }))
    }
    case 'tag': {
      if (ownValue(machine.tags, change.key) === change.value) return []
      const others = Object.entries(machine.tags ?? {}).filter(([key]) => key !== change.key)
      const own = change.value === undefined ? [] : [[change.key, change.value] as const]
      const tags: Tags = Object.fromEntries([...others, ...own])
      const { tags: _, ...rest } = machine
      return [Object.keys(tags).length > 0 ? { ...rest, tags } : rest]
    }
    case 'cost-centre': {
      const { costCentre, ...rest } = machine
      if (costCentre === change.costCentre) return []
      return [change.costCentre === undefined ? rest : { ...rest, costCentre: change.costCentre }]
    }
    case 'life': {
      const { firstDay, lastDay, ...rest } = machine
      if (firstDay === change.firstDay && lastDay === change.lastDay) return []
      return [
        {
          ...rest,
          ...(change.firstDay !== undefined && { firstDay: change.firstDay }),
          ...(change.lastDay !== undefined && { lastDay: change.lastDay }),
        },
      ]
    }
    case 'jurisdictions': {
      const { jurisdictions = [], ...needs } = machine.needs
      const asked = change.jurisdictions
      if (jurisdictions.length === asked.length && asked.every((each) => jurisdictions.includes(each)))
        return []
      return [{ ...machine, needs: asked.length > 0 ? { ...needs, jurisdictions: asked } : needs }]
    }
    case 'as-now': {
      const { needs } = machine
      const changed = change.needs.filter((id) => isEased(needs, id) !== change.mayGo)
      if (changed.length === 0) return []
      return [{ ...machine, needs: changed.reduce((after, id) => eased(after, id, change.mayGo), needs) }]
    }
    case 'apart': {
      const { apart, ...needs } = machine.needs
      const asked = change.apart
      const isSo =
        apart?.group === asked?.group && Boolean(apart?.sharesNothing) === Boolean(asked?.sharesNothing)
      return isSo ? [] : [{ ...machine, needs: asked ? { ...needs, apart: asked } : needs }]
    }
  }
}

/** Names for `count` copies of a machine, none of which is taken. */
export function copyNames(name: string, count: number, { machines }: Pick<Plan, 'machines'>): string[] {
  const taken = new Set(machines.map((machine) => machine.name))
  const names: string[] = []
  for (let number = 2; names.length < count; number += 1) {
    const candidate = `${name.slice(0, 52)}-${number}`
    if (!taken.has(candidate)) names.push(candidate)
  }
  return names
}
