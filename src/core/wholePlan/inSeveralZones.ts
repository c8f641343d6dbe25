import type { ApartGroup } from '../machine/apartGroup.ts'
import type { RegionIndex } from '../catalogue/bookIndex.ts'
import { openZones } from '../fit/apartChecks.ts'
import { apartOf } from '../machine/apart.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { copyNames } from './changeMany.ts'
import { copiedForm } from './quantity.ts'

export interface InSeveralZones {
  /** One for each further zone, in the zones' order; each is a machine that is bought. */
  readonly copies: readonly Machine[]
  /** The group that they are in, where the machine is in none yet: one of them in a zone. */
  readonly group: ApartGroup | undefined
}

/** The machine once more in each of these zones of its region, kept apart from its copies. Its own zone is left out. */
export function inSeveralZones(
  machine: Machine,
  zones: readonly string[],
  plan: Pick<Plan, 'machines' | 'apartGroups'>,
): InSeveralZones {
  const { apart } = machine.needs
  const group = apart ? undefined : { name: freeGroupName(machine.name, plan), mostInZone: 1 }
  const needs = { ...machine.needs, apart: apart ?? { group: group!.name } }
  const further = zones.filter((zone) => zone !== machine.zone)
  const names = copyNames(machine.name, further.length, plan)
  const copies = further.map((zone, i): Machine => ({
    ...copiedForm(machine),
    needs,
    zone,
    name: names[i]!,
  }))
  return { copies, group }
}

/**
 * Copies of a machine under these names. Those of a group stand in the next zone of the region that has room for one more,
 * and where none has, in the machine's own, which the watch list then says. O(copies × machines of the group).
 */
export function copiesOf(
  machine: Machine,
  names: readonly string[],
  plan: Pick<Plan, 'machines' | 'apartGroups'>,
  region: RegionIndex | undefined,
): Machine[] {
  const form = copiedForm(machine)
  const copies: Machine[] = []
  for (const name of names) {
    const copy: Machine = { ...form, name }
    const apart = region && apartOf(copy, { ...plan, machines: [...plan.machines, ...copies] })
    const open = apart ? openZones({ machine: copy, region, apart }, machine.size) : []
    const zone = open.includes(machine.zone) ? machine.zone : (open[0] ?? machine.zone)
    copies.push({ ...copy, zone })
  }
  return copies
}

/** A name that no group of the plan has: `web`, else `web 2`. */
export function freeGroupName(name: string, { apartGroups = [] }: Pick<Plan, 'apartGroups'>): string {
  const taken = new Set(apartGroups.map((group) => group.name))
  for (let number = 1; ; number += 1) {
    const candidate = number === 1 ? name : `${name.slice(0, 54)} ${number}`
    if (!taken.has(candidate)) return candidate
  }
}

/** The plan with a machine in several zones. */
export function withInZones<P extends Pick<Plan, 'machines' | 'apartGroups'>>(
  plan: P,
  machine: Machine,
  { copies, group }: InSeveralZones,
): P {
  const grouped = group ? { ...machine, needs: { ...machine.needs, apart: { group: group.name } } } : machine
  return {
    ...plan,
    machines: plan.machines.flatMap((each) => (each === machine ? [grouped, ...copies] : [each])),
    ...(group && { apartGroups: [...(plan.apartGroups ?? []), group] }),
  }
}
