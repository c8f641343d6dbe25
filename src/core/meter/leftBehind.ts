import type { BillingMonth } from '../calendar/billingMonth.ts'
import { GONE } from '../catalogue/statesSold.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { add, divide, exact, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { lengthOf, SECONDS_PER_HOUR } from '../quantity/units.ts'
import { hourByState } from './hourByState.ts'

export interface LeftBehind {
  readonly parts: readonly ('disks' | 'address' | 'snapshots')[]
  /** In the currency of the machine's price book. */
  readonly perMonth: Exact
}

const LEFT_METERS = { disk: 'disks', address: 'address', snapshot: 'snapshots' } as const

function deletable(resolved: ResolvedMachine): ResolvedMachine {
  const { index } = resolved
  const { book } = index
  if (book.states.deleted) return resolved
  const states = { ...book.states, deleted: GONE }
  return { ...resolved, index: { ...index, book: { ...book, states } } }
}

/**
 * What would go on being charged once the machine is deleted; undefined where that is nothing. A commitment goes on
 * too, but it is not left behind by the machine.
 */
export function leftBehind(resolved: ResolvedMachine, month: BillingMonth): LeftBehind | undefined {
  const gone = hourByState(deletable(resolved), month).find(({ state }) => state === 'deleted')
  const left = gone?.byMeter.filter(({ meter }) => Object.hasOwn(LEFT_METERS, meter)) ?? []
  const perHour = left.reduce((sum, { amount }) => add(sum, amount), ZERO)
  if (perHour.n === 0n) return undefined
  return {
    parts: left.map(({ meter }) => LEFT_METERS[meter as keyof typeof LEFT_METERS]),
    perMonth: divide(multiply(perHour, exact(lengthOf(month))), exact(SECONDS_PER_HOUR)),
  }
}
