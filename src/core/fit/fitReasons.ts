import { DECISIONS, type Decision } from '../machine/choice.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { FIT_CHECKS, type FitCheck } from './checks.ts'
import type { FitReason } from './fitReason.ts'

const CHECKS_BY_DECISION: ReadonlyMap<Decision, readonly FitCheck[]> = new Map(
  DECISIONS.map((decision) => [decision, FIT_CHECKS.filter(({ concerns }) => concerns.includes(decision))]),
)

const FITS: readonly FitReason[] = []

/**
 * Why this machine may not be as it is; empty when it may. With a decision, only the reasons that another choice of
 * that decision could mend, which are the ones that close a choice.
 */
export function fitReasons(machine: ResolvedMachine, decision?: Decision): readonly FitReason[] {
  let reasons: FitReason[] | undefined
  for (const check of (decision && CHECKS_BY_DECISION.get(decision)) ?? FIT_CHECKS) {
    const reason = check.find(machine)
    if (reason) (reasons ??= []).push(reason)
  }
  return reasons ?? FITS
}
