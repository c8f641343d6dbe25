import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'

/**
 * All that the computation knows of one decision. `Taken` is what a choice of it says. Positions count data disks from
 * 1, and are 1 for every other decision.
 */
export interface DecisionRules<Taken> {
  /** How many plates of it this machine has; one where it is left out. */
  readonly count?: (resolved: ResolvedMachine) => number
  /** Every choice of it within the machine's provider, the present one among them; `weeks` are the plan's. */
  readonly choices: (
    resolved: ResolvedMachine,
    position: number,
    weeks: readonly WeekPlan[],
  ) => readonly Taken[]
  /** The choice that the machine stands at. */
  readonly present: (resolved: ResolvedMachine, position: number) => Taken
  /** The machine with it taken and nothing else changed. */
  readonly apply: (machine: Machine, taken: Taken) => Machine
  /** What is looked up anew for it in the machine's book, given the machine with it taken. */
  readonly resolve?: (resolved: ResolvedMachine, machine: Machine, taken: Taken) => Partial<ResolvedMachine>
  /** A choice's name within its plate, fit for a key and an address. */
  readonly key: (taken: Taken) => string
  /**
   * Whether the machine would still do what it is for; true where it is left out. What would not is changed on the
   * gauge, with eyes on it, and not proposed as a saving.
   */
  readonly leavesWorkAlone?: (taken: Taken, machine: Machine) => boolean
}
