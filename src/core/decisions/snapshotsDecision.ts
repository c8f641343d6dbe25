import type { Disk, Snapshots } from '../machine/plan.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { DecisionRules } from './decisionRules.ts'

/** Snapshots of all disks alike; `as-is` where they differ from disk to disk. */
type SnapshotScheme = 'none' | 'as-is' | Pick<Snapshots, 'every' | 'kept'>

const SCHEMES: readonly SnapshotScheme[] = [
  'none',
  { every: 'month', kept: 3 },
  { every: 'week', kept: 1 },
  { every: 'week', kept: 4 },
  { every: 'day', kept: 7 },
  { every: 'day', kept: 14 },
  { every: 'stop', kept: 1 },
]

/** How much of a disk changes between two snapshots, where nobody said. */
const USUAL_CHANGED_PERCENT = 10

export const SNAPSHOTS_DECISION: DecisionRules<{ readonly scheme: SnapshotScheme }> = {
  choices: (resolved) => {
    const present = presentScheme(resolved)
    const isUsual = SCHEMES.some((scheme) => sameScheme(scheme, present))
    return (isUsual ? SCHEMES : [...SCHEMES, present]).map((scheme) => ({ scheme }))
  },
  present: (resolved) => ({ scheme: presentScheme(resolved) }),
  apply: (machine, { scheme }) => {
    if (scheme === 'as-is') return machine
    const change = ({ snapshots, ...disk }: Disk): Disk =>
      scheme === 'none'
        ? disk
        : { ...disk, snapshots: { changedPercent: USUAL_CHANGED_PERCENT, ...snapshots, ...scheme } }
    return { ...machine, systemDisk: change(machine.systemDisk), dataDisks: machine.dataDisks.map(change) }
  },
  key: ({ scheme }) => (typeof scheme === 'string' ? scheme : `${scheme.every}-${scheme.kept}`),
}

/** The scheme that all disks share, if they do. */
function presentScheme(resolved: ResolvedMachine): SnapshotScheme {
  const schemes = disksOf(resolved).map(({ disk: { snapshots } }): SnapshotScheme =>
    snapshots ? { every: snapshots.every, kept: snapshots.kept } : 'none',
  )
  return schemes.every((scheme) => sameScheme(scheme, schemes[0]!)) ? schemes[0]! : 'as-is'
}

const sameScheme = (a: SnapshotScheme, b: SnapshotScheme): boolean =>
  typeof a === 'string' || typeof b === 'string' ? a === b : a.every === b.every && a.kept === b.kept
