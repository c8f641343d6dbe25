import { lackedState } from '../catalogue/statesSold.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { exchanged } from '../machine/exchange.ts'
import { changesBetween, type ForcedChange } from '../machine/forcedChange.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { pricedProvider } from '../notches/pricedProvider.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { subtract, type Exact } from '../quantity/exact.ts'
import { losses, type Loss } from '../wholePlan/losses.ts'
import type { PlatesInputs } from '../notches/plate.ts'

/** What a proposal changes. A move to another provider brings its sizes, disks and terms: they are one part. */
const PROPOSED_PARTS = ['place', 'size', 'image', 'disk', 'terms', 'off'] as const
export type ProposedPart = (typeof PROPOSED_PARTS)[number]

/** The parts in which a proposal differs from the machine. */
export function partsOf(inputs: PlatesInputs, proposed: Machine): ProposedPart[] {
  const { machine } = inputs.resolved
  return PROPOSED_PARTS.filter((part) => !same(machine, takePart(inputs, machine, proposed, part)))
}

const same = (a: Machine, b: Machine): boolean => JSON.stringify(a) === JSON.stringify(b)

function takePart(inputs: PlatesInputs, machine: Machine, proposed: Machine, part: ProposedPart): Machine {
  const moves = inputs.resolved.machine.provider !== proposed.provider
  switch (part) {
    case 'place': {
      if (!moves) return { ...machine, region: proposed.region, zone: proposed.zone }
      return lackedState(machine, indexOf(inputs, proposed).book) ? proposed : withOffPlan(proposed, machine)
    }
    case 'size':
      if (moves || machine.size === proposed.size) return machine
      return { ...machine, size: proposed.size, ...(proposed.chosen && { chosen: proposed.chosen }) }
    case 'image':
      return moves ? machine : { ...machine, image: proposed.image }
    case 'disk':
      return moves ||
        (machine.systemDisk.kind === proposed.systemDisk.kind &&
          machine.systemDisk.roomGiB === proposed.systemDisk.roomGiB)
        ? machine
        : { ...machine, systemDisk: proposed.systemDisk }
    case 'terms':
      return moves ? machine : { ...machine, terms: proposed.terms }
    case 'off':
      // A provider without the present state brings its own with the move.
      return moves && lackedState(inputs.resolved.machine, indexOf(inputs, proposed).book)
        ? machine
        : withOffPlan(machine, proposed)
  }
}

export interface ProposalStep {
  readonly part: ProposedPart
  readonly changes: readonly ForcedChange[]
  /** What the machine has less of with this part than before it; none where either form is not known. */
  readonly losses: readonly Loss[]
  /** Its share of the difference; undefined where only the next step can be priced, which then counts for both. */
  readonly cost: Exact | undefined
}

export interface PricedProposal {
  /** The machine with the parts that are taken. */
  readonly machine: Machine
  readonly steps: readonly ProposalStep[]
  /** The month as it is, which differences are from; undefined where it has no price. */
  readonly present: Exact | undefined
  /** Undefined where the parts that are taken have no price together. */
  readonly difference: Exact | undefined
  /** Why the parts that are taken do not fit together. */
  readonly reasons: readonly FitReason[]
}

/** A proposal taken in part: what each part saves when they are taken in order, and whether they fit together. */
export function priceProposal(
  inputs: PlatesInputs,
  proposed: Machine,
  taken: ReadonlySet<ProposedPart>,
): PricedProposal {
  let machine = inputs.resolved.machine
  let last = priceAs(inputs, machine)
  const first = last?.total
  let known = first
  const steps: ProposalStep[] = []
  for (const part of partsOf(inputs, proposed)) {
    if (!taken.has(part)) continue
    const next = takePart(inputs, machine, proposed, part)
    const before = indexOf(inputs, machine)
    const changes = changesBetween(machine, next, indexOf(inputs, next), before)
    machine = next
    const priced = priceAs(inputs, machine)
    const lost = last && priced ? losses(last.resolved, priced.resolved) : []
    last = priced
    const total = last?.total
    steps.push({ part, changes, losses: lost, cost: total && known && subtract(total, known) })
    if (total) known = total
  }
  const total = last?.total
  return {
    machine,
    steps,
    present: first,
    difference: total && first && subtract(total, first),
    reasons: last ? fitReasons(last.resolved) : [],
  }
}

const indexOf = (inputs: PlatesInputs, { provider }: Machine) =>
  pricedProvider(inputs, provider)?.index ?? inputs.resolved.index

interface PricedAs {
  readonly resolved: ResolvedMachine
  readonly total: Exact | undefined
}

/** A machine in any form, in the currency of the machine that the inputs are about; undefined where names are unknown. */
function priceAs(inputs: PlatesInputs, machine: Machine): PricedAs | undefined {
  const seller = pricedProvider(inputs, machine.provider)
  const found = seller && resolveMachine(machine, inputs.plan, seller.index)
  if (!found?.ok) return undefined
  const total = machineTotal(found.value, seller!.month, seller!.shared)
  return { resolved: found.value, total: total && exchanged(total, seller!.exchange) }
}
