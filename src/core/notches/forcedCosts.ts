import { lackedState } from '../catalogue/statesSold.ts'
import { exchanged } from '../machine/exchange.ts'
import type { ForcedChange } from '../machine/forcedChange.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Charge } from '../meter/charge.ts'
import { chargeMachine } from '../meter/chargeMachine.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { pricedProvider, ownProvider } from './pricedProvider.ts'
import type { Carried, PlatesInputs } from './plate.ts'

interface ForcedCost {
  readonly change: ForcedChange
  /** What the month costs more or less for it; undefined where it is part of the line before. */
  readonly cost: Exact | undefined
}

export interface ForcedCosts {
  /** The month as it is. */
  readonly present: Exact
  readonly changes: readonly ForcedCost[]
  /** What the choice itself costs more or less, as by other rates for the same things. */
  readonly own: Exact
  /** The sum of all. */
  readonly difference: Exact
}

/**
 * What each forced change costs, in the machine's present currency: the size what machine time changes, a disk what
 * that disk changes, the image what licences change, the state when off what the same machine costs less without it.
 * What is left is the choice's own. Undefined where either has no price.
 */
export function forcedCosts(inputs: PlatesInputs, carried: Carried): ForcedCosts | undefined {
  const at = pricedProvider(inputs, carried.machine.provider)
  const before = priceParts(inputs.resolved, ownProvider(inputs))
  const after = at && priceParts(carried.resolved, at)
  if (!before || !after) return undefined
  const offChange = carried.changes.find(({ field }) => field === 'off')
  const asBefore = offChange && withOffOf(carried.resolved, inputs.resolved)
  const unslept = asBefore ? (priceParts(asBefore, at) ?? after) : after
  const changed = (part: string): Exact => subtract(unslept.get(part) ?? ZERO, before.get(part) ?? ZERO)
  const used = new Set<string>()
  const changes = carried.changes.map((change): ForcedCost => {
    if (change === offChange) return { change, cost: subtract(sum(after), sum(unslept)) }
    const part = partOf(change)
    if (part === undefined || used.has(part)) return { change, cost: part === undefined ? ZERO : undefined }
    used.add(part)
    return { change, cost: changed(part) }
  })
  const present = sum(before)
  const difference = subtract(sum(after), present)
  const named = changes.reduce((total, { cost }) => add(total, cost ?? ZERO), ZERO)
  return { present, changes, own: subtract(difference, named), difference }
}

type Pricing = Pick<PricedProvider, 'month' | 'shared' | 'exchange'>

const withOffOf = (resolved: ResolvedMachine, before: ResolvedMachine): ResolvedMachine | undefined =>
  lackedState(before.machine, resolved.index.book)
    ? undefined
    : { ...resolved, machine: withOffPlan(resolved.machine, before.machine) }

function priceParts(
  resolved: ResolvedMachine,
  { month, shared, exchange }: Pricing,
): Map<string, Exact> | undefined {
  const charges = chargeMachine(resolved, meterMachine(resolved, month), month, shared)
  if (!charges.ok) return undefined
  const parts = new Map<string, Exact>()
  for (const charge of charges.value) {
    const amount = exchanged(charge.amount, exchange)
    if (!amount) return undefined
    const part = partOfCharge(charge)
    parts.set(part, add(parts.get(part) ?? ZERO, amount))
  }
  return parts
}

const sum = (parts: ReadonlyMap<string, Exact>): Exact =>
  [...parts.values()].reduce((total, amount) => add(total, amount), ZERO)

function partOfCharge({ meter, subject }: Charge): string {
  switch (meter) {
    case 'compute':
    case 'commitment':
    case 'memory-image':
      return 'size'
    case 'disk':
      return 'position' in subject ? `disk-${subject.position}` : 'disk'
    default:
      return meter
  }
}

function partOf(change: ForcedChange): string | undefined {
  switch (change.field) {
    case 'size':
    case 'terms':
      return 'size'
    case 'image':
      return 'licence'
    case 'disk':
    case 'room':
      return `disk-${change.position}`
    default:
      return undefined
  }
}
