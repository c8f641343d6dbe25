import { decisionFacts, DECISIONS, type Decision } from '../machine/decision.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { APART_CHECKS, everyZoneReason } from './apartChecks.ts'
import { DISK_CHECKS } from './diskChecks.ts'
import type { FitCheck, PlaceSubject, SizeSubject } from './fitCheck.ts'
import { HELD_CHECKS } from './heldChecks.ts'
import { OFF_CHECKS } from './offChecks.ts'
import { PLACE_CHECKS, REGION_CHECKS } from './placeChecks.ts'
import { SALE_CHECKS, SIZE_CHECKS } from './sizeChecks.ts'
import type { FitReason } from './fitReason.ts'

const ALL_CHECKS: readonly FitCheck[] = [
  ...SIZE_CHECKS,
  ...SALE_CHECKS,
  ...DISK_CHECKS,
  ...HELD_CHECKS,
  ...PLACE_CHECKS,
  ...APART_CHECKS,
  ...REGION_CHECKS,
  ...OFF_CHECKS,
]

const CHECKS_BY_DECISION: ReadonlyMap<Decision, readonly FitCheck[]> = new Map(
  DECISIONS.map((decision) => [decision, ALL_CHECKS.filter(({ concerns }) => concerns.includes(decision))]),
)

const FITS: readonly FitReason[] = []

const NO_DISKS: readonly ResolvedDisk[] = []

/**
 * Why this machine may not be as it is; empty when it may. With a decision, only the reasons that another choice of
 * that decision could mend, which are the ones that close a choice; `position` says which data disk it is about.
 */
export function fitReasons(
  machine: ResolvedMachine,
  decision?: Decision,
  position?: number,
): readonly FitReason[] {
  const checks = decision ? CHECKS_BY_DECISION.get(decision)! : ALL_CHECKS
  const disks = disksAskedAbout(machine, decision, position)
  let reasons: FitReason[] | undefined
  for (const check of checks) {
    const reason = check.find(machine, disks)
    if (reason) (reasons ??= []).push(reason)
  }
  return reasons ?? FITS
}

/** Whether no reason is left but those of these codes; stops at the first, since whoever searches asks often. */
export function fitsBut(machine: ResolvedMachine, tolerated: ReadonlySet<FitReason['code']>): boolean {
  const disks = disksOf(machine)
  for (const check of ALL_CHECKS) {
    const reason = check.find(machine, disks)
    if (reason && !tolerated.has(reason.code)) return false
  }
  return true
}

/** Whether a size has what is asked of it wherever it stands: the rest depends on place, disks and state. */
export const fitsAnywhere = (machine: SizeSubject): boolean =>
  SIZE_CHECKS.every(({ find }) => find(machine) === undefined)

/** Why the machine may not stand in its region at all, whatever it is. */
export const placeReasons = (machine: PlaceSubject): readonly FitReason[] => [
  ...PLACE_CHECKS.flatMap(({ find }) => find(machine) ?? []),
  ...[everyZoneReason(machine)].filter((reason) => reason !== undefined),
]

function disksAskedAbout(
  machine: ResolvedMachine,
  decision: Decision | undefined,
  position: number | undefined,
): readonly ResolvedDisk[] {
  const disks = decision ? decisionFacts(decision).disks : 'all'
  switch (disks) {
    case 'all':
      return disksOf(machine)
    case 'system':
      return disksOf(machine).slice(0, 1)
    case 'data':
      return disksOf(machine).filter((disk) => disk.position === position)
    case 'last':
      return disksOf(machine).slice(-1)
    case 'none':
      return NO_DISKS
  }
}
