import { ownValue } from '../ownValue.ts'
import type { Machine } from '../machine/plan.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import type { MachineShare } from './machineShare.ts'

export const SHARE_FOLDS = ['machine', 'provider', 'region', 'week', 'cost-centre'] as const
/** What machines are put together by; a tag by its key. */
export type ShareFold = (typeof SHARE_FOLDS)[number] | `tag:${string}`

/** What bars are sorted by, the largest first; `name` from A to Z. */
export const SHARE_ORDERS = ['total', 'floor', 'running', 'saved', 'always-on', 'name'] as const
export type ShareOrder = (typeof SHARE_ORDERS)[number]

/** A machine with its month in the plan's currency, as it is shown. */
export interface SharedMachine extends MachineShare {
  readonly machine: Machine
}

/** Machines that are put together. Amounts are sums of what is shown of each. */
export interface ShareGroup extends MachineShare {
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
  const groups = new Map<string, { total: Exact; floor: Exact; alwaysOn: Exact; machines: string[] }>()
  for (const { machine, total, floor, alwaysOn } of shares) {
    const key = keyOf(fold, machine)
    let group = groups.get(key)
    if (!group) groups.set(key, (group = { total: ZERO, floor: ZERO, alwaysOn: ZERO, machines: [] }))
    group.total = add(group.total, total)
    group.floor = add(group.floor, floor)
    group.alwaysOn = add(group.alwaysOn, alwaysOn)
    group.machines.push(machine.name)
  }
  const all = [...groups].map(([key, group]): ShareGroup => ({ key, ...group }))
  return all.sort((a, b) => {
    const byName = a.key < b.key ? -1 : a.key > b.key ? 1 : 0
    return order === 'name' ? byName : compare(figure(b, order), figure(a, order)) || byName
  })
}

function figure({ total, floor, alwaysOn }: MachineShare, order: Exclude<ShareOrder, 'name'>): Exact {
  switch (order) {
    case 'total':
      return total
    case 'floor':
      return floor
    case 'running':
      return subtract(total, floor)
    case 'saved':
      return subtract(alwaysOn, total)
    case 'always-on':
      return alwaysOn
  }
}

/** Tag keys that machines have, those of most machines first. */
export function tagKeys(machines: readonly Machine[]): string[] {
  const counts = new Map<string, number>()
  for (const { tags = {} } of machines) {
    for (const key of Object.keys(tags)) counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  return [...counts].sort(([a, m], [b, n]) => n - m || (a < b ? -1 : 1)).map(([key]) => key)
}
