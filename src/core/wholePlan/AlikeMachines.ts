import type { Estimate } from '../meter/estimateMachine.ts'
import type { Plate } from '../notches/plate.ts'
import { sameFields } from '../sameFields.ts'
import { machineForm } from '../machine/machineForm.ts'
import type { Machine } from '../machine/plan.ts'

export interface LookedAt<Found> {
  /** All that its plates depend on, but for itself. */
  readonly reads: object
  /** Where it stands in the plan. */
  readonly order: number
  readonly plates: readonly Plate[]
  readonly estimate: Estimate
  /** What it was found to be. */
  readonly found: Found
}

/**
 * Machines that are the same and share with others, as one survey looks at them. What is shared knows a machine by what
 * it is, and by its order in the plan alone where the last second of a pool does not last for all: who stands first is
 * served first (see `drainPool`). So none of its totals falls as its order rises, each goes from one value to another in
 * steps, and a total that is the same for two is the same for all that stand between them (see `platesBetween`).
 */
export class AlikeMachines<Found> {
  private form = ''
  /** Those of this form alone, in the order of the plan: plates are large, and machines of a form are looked at together. */
  private looked: LookedAt<Found>[] = []

  /** Those that were looked at next before and after this order, where there are such. O(log looked). */
  around(
    form: string,
    reads: object,
    order: number,
  ): readonly [LookedAt<Found>, LookedAt<Found>] | undefined {
    if (form !== this.form) return undefined
    const at = placeOf(this.looked, order)
    const [before, after] = [this.looked[at - 1], this.looked[at]]
    const knows = before && after && sameFields(before.reads, reads) && sameFields(after.reads, reads)
    return knows ? [before, after] : undefined
  }

  add(form: string, one: LookedAt<Found>): void {
    if (form !== this.form) [this.form, this.looked] = [form, []]
    this.looked.splice(placeOf(this.looked, one.order), 0, one)
  }
}

/**
 * Positions of machines in the order in which they are best looked at: of those that are the same the first and the last
 * one, then the one in the middle, and so on between them. O(machines).
 */
export function* fromTheEnds(machines: readonly Machine[]): Generator<number> {
  const groups = new Map<string, number[]>()
  for (const [at, machine] of machines.entries()) {
    const form = machineForm(machine)
    const group = groups.get(form)
    if (group) group.push(at)
    else groups.set(form, [at])
  }
  for (const group of groups.values()) {
    yield group[0]!
    if (group.length > 1) yield group.at(-1)!
    yield* between(group, 0, group.length - 1)
  }
}

function* between(group: readonly number[], first: number, last: number): Generator<number> {
  if (last - first < 2) return
  const middle = (first + last) >> 1
  yield group[middle]!
  yield* between(group, first, middle)
  yield* between(group, middle, last)
}

/** How many stand before an order. */
function placeOf(looked: readonly LookedAt<unknown>[], order: number): number {
  let [from, to] = [0, looked.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (looked[middle]!.order < order) from = middle + 1
    else to = middle
  }
  return from
}
