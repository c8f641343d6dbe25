import type { WeekPlan } from '../calendar/weekPlan.ts'
import { DECISIONS, type Decision } from '../machine/decision.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { ADDRESS_DECISION } from './addressDecision.ts'
import { DATA_DISK_DECISION, NEW_DISK_DECISION } from './dataDiskDecisions.ts'
import type { DecisionRules } from './decisionRules.ts'
import { IMAGE_DECISION } from './imageDecision.ts'
import { OFF_DECISION } from './offDecision.ts'
import { PLACE_DECISION } from './placeDecision.ts'
import { SIZE_DECISION } from './sizeDecision.ts'
import { SNAPSHOTS_DECISION } from './snapshotsDecision.ts'
import { MEMORY_DECISION, VCPU_DECISION } from './stepDecisions.ts'
import { DISK_KIND_DECISION, DISK_ROOM_DECISION } from './systemDiskDecisions.ts'
import { TERMS_DECISION } from './termsDecision.ts'
import { TRAFFIC_DECISION } from './trafficDecision.ts'
import { WEEK_DECISION } from './weekDecision.ts'

const RULES = {
  size: SIZE_DECISION,
  vcpu: VCPU_DECISION,
  memory: MEMORY_DECISION,
  place: PLACE_DECISION,
  terms: TERMS_DECISION,
  image: IMAGE_DECISION,
  'disk-kind': DISK_KIND_DECISION,
  'disk-room': DISK_ROOM_DECISION,
  'data-disk': DATA_DISK_DECISION,
  'new-disk': NEW_DISK_DECISION,
  snapshots: SNAPSHOTS_DECISION,
  address: ADDRESS_DECISION,
  off: OFF_DECISION,
  week: WEEK_DECISION,
  traffic: TRAFFIC_DECISION,
} as const satisfies { readonly [D in Decision]: unknown }

/** What a choice of each decision says. */
type Taken = { readonly [D in Decision]: (typeof RULES)[D] extends DecisionRules<infer T> ? T : never }

/** One way to take one decision. */
export type ChoiceOf<D extends Decision> = { readonly decision: D } & Taken[D]

/** One way to take a decision. */
export type Choice = { readonly [D in Decision]: ChoiceOf<D> }[Decision]

/** A decision about one machine; position counts its data disks from 1. */
export interface MachineDecision {
  readonly decision: Decision
  readonly position?: number
}

/** The record, so that a decision and a choice of it go together. */
const rulesOf = <D extends Decision>(decision: D): DecisionRules<Taken[D]> =>
  (RULES as { readonly [Each in Decision]: DecisionRules<Taken[Each]> })[decision]

const choiceOf = <D extends Decision>(decision: D, taken: Taken[D]): Choice =>
  ({ decision, ...(taken as object) }) as unknown as Choice

/** The decisions that this machine leaves, in the order of its plates. */
export const decisionsOf = (resolved: ResolvedMachine): MachineDecision[] =>
  DECISIONS.flatMap((decision): MachineDecision[] => {
    const count = rulesOf(decision).count?.(resolved) ?? 1
    return decision === 'data-disk'
      ? Array.from({ length: count }, (_, i) => ({ decision, position: i + 1 }))
      : Array.from({ length: count }, () => ({ decision }))
  })

/** Every choice of one decision about this machine within its provider, the present one among them. */
export const choicesOf = (
  resolved: ResolvedMachine,
  { decision, position = 1 }: MachineDecision,
  weeks: readonly WeekPlan[],
): Choice[] =>
  rulesOf(decision)
    .choices(resolved, position, weeks)
    .map((taken) => choiceOf(decision, taken))

/** The choice that the machine stands at. */
export const presentChoice = (
  resolved: ResolvedMachine,
  { decision, position = 1 }: MachineDecision,
): Choice => choiceOf(decision, rulesOf(decision).present(resolved, position))

/** The machine with this one decision taken and nothing else changed. */
export const applyChoice = (machine: Machine, choice: Choice): Machine =>
  rulesOf(choice.decision).apply(machine, choice)

/**
 * The resolved machine with one decision taken within its provider: only what that decision names is looked up again,
 * so that a plate of a thousand choices costs a thousand look-ups.
 */
export function resolveChoice(resolved: ResolvedMachine, choice: Choice): ResolvedMachine {
  const machine = applyChoice(resolved.machine, choice)
  return { ...resolved, machine, ...rulesOf(choice.decision).resolve?.(resolved, machine, choice) }
}

/** A choice's name within its plate, fit for a key and an address. */
export const choiceKey = (choice: Choice): string => rulesOf(choice.decision).key(choice)

/** Whether the machine would still do what it is for. */
export const leavesWorkAlone = (choice: Choice, machine: Machine): boolean =>
  rulesOf(choice.decision).leavesWorkAlone?.(choice, machine) ?? true
