import { keptFor } from '../keptFor.ts'
import type { ApartGroup } from './apartGroup.ts'
import type { Machine, Plan } from './plan.ts'

/** Where a machine stands, and whether it wants the region for itself. */
export interface ApartNeighbour {
  readonly name: string
  readonly provider: string
  readonly region: string
  readonly zone: string
  readonly sharesNothing: boolean
}

/** What keeps a machine out of places: its group, and where the others of it stand. */
export interface Apart {
  readonly group: ApartGroup
  readonly sharesNothing: boolean
  /** In the plan's order. */
  readonly others: readonly ApartNeighbour[]
  /** How many of the others come before it. */
  readonly position: number
}

/** Undefined where the machine is in no group of the plan. O(machines of the group), once the plan's are told apart. */
export function apartOf(
  { name, needs: { apart } }: Machine,
  { apartGroups = [], machines = [] }: Partial<Pick<Plan, 'apartGroups' | 'machines'>>,
): Apart | undefined {
  const group = apart && apartGroups.find((each) => each.name === apart.group)
  if (!group) return undefined
  const members = membersByGroup(machines).get(group.name) ?? []
  const others = members.filter((member) => member.name !== name).map(neighbour)
  const at = members.findIndex((member) => member.name === name)
  const position = at < 0 ? others.length : at
  return { group, sharesNothing: apart.sharesNothing ?? false, others, position }
}

/** The machines of each group, in the plan's order. */
export const membersByGroup = keptFor(
  (machines: readonly Machine[]): ReadonlyMap<string, readonly Machine[]> => {
    const members = new Map<string, Machine[]>()
    for (const machine of machines) {
      const { group } = machine.needs.apart ?? {}
      if (group === undefined) continue
      const known = members.get(group)
      if (known) known.push(machine)
      else members.set(group, [machine])
    }
    return members
  },
)

const neighbour = ({ name, provider, region, zone, needs: { apart } }: Machine): ApartNeighbour => ({
  name,
  provider,
  region,
  zone,
  sharesNothing: apart?.sharesNothing ?? false,
})

/** Whether a machine is kept out of the same places by both, so that what was worked out with one stands with the other. */
export const isSameApart = (a: Apart | undefined, b: Apart | undefined): boolean =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    a.group === b.group &&
    a.sharesNothing === b.sharesNothing &&
    a.position === b.position &&
    a.others.length === b.others.length &&
    a.others.every((other, i) => isSameNeighbour(other, b.others[i]!)))

const isSameNeighbour = (a: ApartNeighbour, b: ApartNeighbour): boolean =>
  a.name === b.name &&
  a.provider === b.provider &&
  a.region === b.region &&
  a.zone === b.zone &&
  a.sharesNothing === b.sharesNothing
