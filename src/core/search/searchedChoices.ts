import { mayCarry } from '../catalogue/notKnown.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { DiskKind, PriceBook, Terms } from '../catalogue/priceBook.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { Decision } from '../machine/decision.ts'
import { onKind } from '../machine/onKind.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { offPlanOf, type OffPlan } from '../off/offPlan.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { toNumber } from '../quantity/exact.ts'

export interface SearchOptions {
  /** Only on terms that bind nobody and promise its hours: on demand or flat. */
  readonly uncommitted?: boolean | undefined
}

/** What is named in its own book cannot be kept elsewhere. */
const BOUND: readonly Decision[] = ['place', 'size', 'terms', 'disk-kind', 'image', 'data-disk']

/** Whether something is pinned that only its own provider has. */
export const isBoundToProvider = (kept: ReadonlySet<Decision>): boolean =>
  BOUND.some((decision) => kept.has(decision))

/** One state for every gap, and what the machine has where that is a mix. */
export function offPlansToTry(machine: Machine, book: PriceBook, kept: ReadonlySet<Decision>): OffPlan[] {
  const own = machine.longGaps && !lackedState(machine, book) ? [offPlanOf(machine)] : []
  if (kept.has('off') && machine.longGaps) return own
  const plain = POWER_STATES.filter((off) => book.states[off] && (!kept.has('off') || machine.off === off))
  return [...plain.map((off) => ({ off })), ...own]
}

export const termsToTry = (
  machine: Machine,
  terms: readonly Terms[],
  kept: ReadonlySet<Decision>,
  { uncommitted = false }: SearchOptions,
): readonly Terms[] =>
  terms.filter(
    ({ id, kind }) =>
      (!kept.has('terms') || id === machine.terms) &&
      (!uncommitted || kind === 'on-demand' || kind === 'flat'),
  )

/** A data disk as it can stand in a place, with a size: on its own kind, or on the cheapest that can be there. */
export function dataDiskIn(disk: Disk, { index, size, region }: ResolvedMachine): Disk | undefined {
  const rateOn = (kind: DiskKind | undefined) =>
    kind && mayCarry(size, kind.id) ? diskRate(region, kind, disk.roomGiB) : undefined
  const own = index.diskKinds.get(disk.kind)
  // What comes with a size has no rate.
  if (own?.room.by === 'size') return mayCarry(size, own.id) ? disk : undefined
  if (own) return rateOn(own) && disk
  let cheapest: { kind: DiskKind; cost: number } | undefined
  for (const kind of index.book.diskKinds) {
    const found = rateOn(kind)
    const cost = found?.parts.reduce((sum, { rate, units }) => sum + toNumber(rate.value) * units, 0)
    if (cost !== undefined && (!cheapest || cost < cheapest.cost)) cheapest = { kind, cost }
  }
  return cheapest && onKind(disk, cheapest.kind.id)
}
