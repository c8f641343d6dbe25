import { ownValue } from '../ownValue.ts'
import type { Machine } from '../machine/plan.ts'
import { compare } from '../quantity/exact.ts'
import { joinSplits, type ShownSplit } from './shownSplit.ts'

export const SHARE_FOLDS = ['machine', 'provider', 'region', 'week', 'cost-centre'] as const
/** What machines are put together by; a tag by its key. */
export type ShareFold = (typeof SHARE_FOLDS)[number] | `tag:${string}`

/** What bars are sorted by, the largest first; `name` from A to Z. */
export const SHARE_ORDERS = ['total', 'kept', 'asked', 'leak', 'saved', 'name'] as const
export type ShareOrder = (typeof SHARE_ORDERS)[number]

/** A machine with its month in the plan's currency, as it is shown. */
export interface SharedMachine extends ShownSplit {
  readonly machine: Machine
}

/** Machines that are put together. Amounts are sums of what is shown of each. */
export interface ShareGroup extends ShownSplit {
  /** Id of what they have in common; empty where they lack it. */
  readonly key: string
  readonly machines: readonly string[]
}

function keyOf(fold: ShareFold, machine: Machine): string {
  switch (fold) {
    case 'machine':
      return machine.name
    case 'provider':
      return machine.provider
    case 'region':
      return `${machine.provider}/${machine.region}`
    case 'week':
      return machine.week
    case 'cost-centre':
      return machine.costCentre ?? ''
    default:
      return ownValue(machine.tags, fold.slice('tag:'.length)) ?? ''
  }
}

/** Groups in order; equal ones by name. O(machines × log machines). */
export function foldShares(
  shares: readonly SharedMachine[],
  fold: ShareFold,
  order: ShareOrder,
): ShareGroup[] {
  const groups = new Map<string, SharedMachine[]>()
  for (const share of shares) {
    const key = keyOf(fold, share.machine)
    const group = groups.get(key)
    if (group) group.push(share)
    else groups.set(key, [share])
  }
  const all = [...groups].map(([key, members]): ShareGroup => ({
    key,
    ...joinSplits(members),
    machines: members.map(({ machine }) => machine.name),
  }))
  return all.sort((a, b) => {
    const byName = a.key < b.key ? -1 : a.key > b.key ? 1 : 0
    return order === 'name' ? byName : compare(b[order], a[order]) || byName
  })
}

/** Tag keys that machines have, those of most machines first. */
export function tagKeys(machines: readonly Machine[]): string[] {
  const counts = new Map<string, number>()
  for (const { tags = {} } of machines) {
    for (const key of Object.keys(tags)) counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  return [...counts].sort(([a, m], [b, n]) => n - m || (a < b ? -1 : 1)).map(([key]) => key)
}
