import { ownValue } from '../ownValue.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { copyNames } from './changeMany.ts'

/** What is not a decision about a machine, so that copies differ in it. */
type Own = 'name' | 'variants' | 'accepted'

/** A machine as it is copied: without what is only its own. */
export function copiedForm({ name, variants, accepted, ...form }: Machine): Omit<Machine, Own> {
  return form
}

/**
 * The machines of a plan that are this one over again: decided alike in everything, and of its name or that name with a
 * number. In the plan's order, this one among them. O(machines).
 */
export function alike(name: string, { machines }: Pick<Plan, 'machines'>): readonly Machine[] {
  const asked = machines.find((machine) => machine.name === name)
  if (!asked) return []
  const form = decided(asked)
  const base = baseOf(name)
  return machines.filter((machine) => baseOf(machine.name) === base && isSame(decided(machine), form))
}

/** Machines that are kept apart are alike in whatever zones they stand. */
function decided(machine: Machine): Omit<Machine, Own> {
  const form = copiedForm(machine)
  return machine.needs.apart ? { ...form, zone: '' } : form
}

/** What makes a quantity of what is there: names to add, or to take away, the last ones first to go. Never this one. */
export interface QuantityChange {
  readonly add: readonly string[]
  readonly remove: readonly string[]
}

/** `quantity` is a whole number from 1 on. */
export function quantityChange(name: string, quantity: number, plan: Pick<Plan, 'machines'>): QuantityChange {
  const names = alike(name, plan).map((machine) => machine.name)
  const more = quantity - names.length
  if (more > 0) return { add: copyNames(baseOf(name), more, plan), remove: [] }
  const others = names.filter((each) => each !== name)
  return { add: [], remove: more < 0 ? others.slice(more) : [] }
}

/** `lab` of `lab-3`. */
const baseOf = (name: string): string => name.replace(/-\d{1,4}$/, '')

function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const keys = new Set([...Object.keys(left), ...Object.keys(right)])
  return (
    Array.isArray(a) === Array.isArray(b) &&
    [...keys].every((key) => isSame(ownValue(left, key), ownValue(right, key)))
  )
}
