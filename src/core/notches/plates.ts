import type { WeekPlan } from '../calendar/weekPlan.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { applyChoice, choiceKey, DECISIONS, type Choice, type Decision } from '../machine/choice.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/estimateMachine.ts'
import { compare, subtract, type Exact } from '../quantity/exact.ts'
import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { choicesOf, resolveChoice } from './choices.ts'

/** One choice of a decision, and what the month would cost if only that choice changed. */
export interface Notch {
  readonly key: string
  readonly choice: Choice
  readonly isPresent: boolean
  /** Undefined where it has no price, as for a size that the region does not sell. */
  readonly total: Exact | undefined
  /** `total` less the present total. */
  readonly difference: Exact | undefined
  /** Why it is closed; empty where it fits. The present choice can be closed too. */
  readonly reasons: readonly FitReason[]
}

export interface Plate {
  readonly decision: Decision
  /** From the cheapest to the dearest, equal ones by name; those without a price come last. */
  readonly notches: readonly Notch[]
  /** Index of the present choice. */
  readonly present: number
}

export interface PlatesInputs {
  readonly resolved: ResolvedMachine
  readonly weeks: readonly WeekPlan[]
  readonly month: BillingMonth
  /** What the account's machines share; this one's part is worked out anew for each choice. */
  readonly shared?: SharedAccount
}

/**
 * All plates of one machine. Every choice is priced by the same meter as the machine itself; schedules are metered
 * once and shared. O(choices × log choices).
 */
export function platesOf({ resolved, weeks, month, shared }: PlatesInputs): Plate[] {
  const present = machineTotal(resolved, month, shared)
  const weekById = new Map(weeks.map((week) => [week.id, week]))
  return DECISIONS.map((decision) => {
    const presentKey = presentChoice(resolved.machine, decision)
    const notches = choicesOf(resolved, decision, weeks).map((choice): Notch => {
      const key = choiceKey(choice)
      const changed = resolveChoice(resolved, choice, applyChoice(resolved.machine, choice), weekById)
      const total = machineTotal(changed, month, shared)
      return {
        key,
        choice,
        isPresent: key === presentKey,
        total,
        difference: total && present && subtract(total, present),
        reasons: fitReasons(changed, decision),
      }
    })
    notches.sort(byTotal)
    return { decision, notches, present: notches.findIndex(({ isPresent }) => isPresent) }
  })
}

function byTotal(a: Notch, b: Notch): number {
  if (a.total && b.total) return compare(a.total, b.total) || (a.key < b.key ? -1 : 1)
  return a.total ? -1 : b.total ? 1 : a.key < b.key ? -1 : 1
}

function presentChoice(machine: Machine, decision: Decision): string {
  const choices: Record<Decision, Choice> = {
    size: { decision: 'size', size: machine.size },
    place: { decision: 'place', region: machine.region, zone: machine.zone },
    'disk-kind': { decision: 'disk-kind', kind: machine.systemDisk.kind },
    'disk-room': { decision: 'disk-room', roomGiB: machine.systemDisk.roomGiB },
    off: { decision: 'off', off: machine.off },
    week: { decision: 'week', week: machine.week },
  }
  return choiceKey(choices[decision])
}

/** The nearest fitting choice that is cheaper (-1) or dearer (1) than the present one, going along the plate. */
export function nextNotch(plate: Plate, direction: -1 | 1): Notch | undefined {
  for (let i = plate.present + direction; i >= 0 && i < plate.notches.length; i += direction) {
    const notch = plate.notches[i]!
    if (notch.total && notch.reasons.length === 0) return notch
  }
  return undefined
}
