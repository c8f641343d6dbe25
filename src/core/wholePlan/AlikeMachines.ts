import type { Plate } from '../notches/plate.ts'
import type { Exact } from '../quantity/exact.ts'
import { sameFields } from '../sameFields.ts'
import type { BestNotch } from './bestNotch.ts'
import { machineForm } from './machineForm.ts'
import type { Machine } from '../machine/plan.ts'

interface LookedAt {
  /** All that its plates depend on, but for itself. */
  readonly reads: object
  /** Where it stands in the plan. */
  readonly order: number
  readonly plates: readonly Plate[]
  readonly best: readonly BestNotch[]
}

interface Kept extends LookedAt {
  /** All totals of all plates. */
  readonly totals: string
}

/**
 * Machines that are the same and share with others, as one survey looks at them. What is shared knows a machine by what
 * it is, and by its order in the plan alone where the last second of a pool does not last for all: who stands first is
 * served first (see `drainPool`). So none of its totals falls as its order rises, each goes from one value to another in
 * steps, and where the totals of two are the same, those of all that stand between them are the same too. Compared are
 * totals, not differences: two totals may step at different orders and their difference be the same again.
 */
export class AlikeMachines {
  private form = ''
  /** Those of this form alone, in the order of the plan: plates are large, and machines of a form are looked at together. */
  private looked: Kept[] = []

  /** One that was looked at and has the same plates, where there is one on each side of this order. O(log looked). */
  around(form: string, reads: object, order: number): LookedAt | undefined {
    if (form !== this.form) return undefined
    const at = placeOf(this.looked, order)
    const [before, after] = [this.looked[at - 1], this.looked[at]]
    const isSame = before && after && before.totals === after.totals && sameFields(before.reads, after.reads)
    return isSame && sameFields(before.reads, reads) ? before : undefined
  }

  add(form: string, one: LookedAt): void {
    if (form !== this.form) [this.form, this.looked] = [form, []]
    const { looked } = this
    const at = placeOf(looked, one.order)
    const totals = one.plates.map(({ id, notches }) => `${id} ${notches.map(totalText).join(' ')}`).join('\n')
    // The same text is kept once, and compared at a glance.
    const same = [looked[at - 1], looked[at]].find((each) => each?.totals === totals)
    looked.splice(at, 0, { ...one, totals: same?.totals ?? totals })
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
function placeOf(looked: readonly Kept[], order: number): number {
  let [from, to] = [0, looked.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (looked[middle]!.order < order) from = middle + 1
    else to = middle
  }
  return from
}

const totalText = ({ key, total }: { readonly key: string; readonly total: Exact | undefined }): string =>
  total ? `${key} ${total.n}/${total.d}` : key
