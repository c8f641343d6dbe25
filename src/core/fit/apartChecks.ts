import { zonesSelling, type RegionIndex } from '../catalogue/bookIndex.ts'
import type { Apart, ApartNeighbour } from '../machine/apart.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { FitCheck, PlaceCheck, PlaceSubject } from './fitCheck.ts'
import type { FitReason } from './fitReason.ts'

/** A machine of a group that asks to be kept apart: needs can be dropped while the group is known. */
type ApartSubject = Pick<ResolvedMachine, 'region' | 'machine' | 'apart'>

/** Where the others of its group keep it out of a whole region. */
export const APART_PLACE_CHECK: PlaceCheck = {
  concerns: ['place'],
  find: (subject) => {
    const apart = asked(subject)
    const { name: place } = subject.region.region
    const barring = apart
      ? neighboursIn(subject, apart).filter((other) => apart.sharesNothing || other.sharesNothing)
      : []
    return apart && barring.length > 0
      ? { code: 'shares-region', group: apart.group.name, place, with: names(barring) }
      : undefined
  },
}

export const APART_CHECKS: readonly FitCheck[] = [
  { concerns: ['place'], find: (machine) => zoneReason(machine, machine.machine.zone) },
]

/** Why one zone of the region has no room for one more machine of the group. O(machines of the group). */
export function zoneReason(subject: ApartSubject, zone: string): FitReason | undefined {
  const apart = asked(subject)
  if (!apart) return undefined
  const { mostInZone = Infinity, mostInFaultDomain = Infinity, name: group } = apart.group
  const { name: place, faultDomains } = subject.region.region
  const there = othersInZone(subject, apart, zone)
  const facts = { group, zone, place, with: names(there) }
  if (there.length >= mostInZone) return { code: 'shares-zone', most: mostInZone, ...facts }
  // Where the book names no domains, nobody knows which machines share one.
  return faultDomains && there.length >= mostInFaultDomain * faultDomains.length
    ? { code: 'shares-fault-domain', most: mostInFaultDomain, ...facts }
    : undefined
}

/** The zones of a region that sell a size and have room for the machine, in the order of the book. */
export function openZones(subject: ApartSubject, sizeId: string): readonly string[] {
  const selling = zonesSelling(subject.region, sizeId)
  return asked(subject) ? selling.filter((zone) => !zoneReason(subject, zone)) : selling
}

/** Why no zone of the region has room for the machine. */
export function everyZoneReason(subject: PlaceSubject): FitReason | undefined {
  if (!asked(subject)) return undefined
  const reasons = subject.region.region.zones.map((zone) => zoneReason(subject, zone))
  return reasons.every((reason) => reason !== undefined) ? reasons[0] : undefined
}

/** The others of a group that stand in a zone of the machine's provider and region. */
export const othersInZone = (
  subject: Pick<ApartSubject, 'machine' | 'region'>,
  apart: Apart,
  zone: string,
): ApartNeighbour[] => neighboursIn(subject, apart).filter((other) => other.zone === zone)

const asked = ({ machine, apart }: ApartSubject): Apart | undefined =>
  machine.needs.apart === undefined ? undefined : apart

const neighboursIn = (
  { machine: { provider }, region: { region } }: { machine: { provider: string }; region: RegionIndex },
  { others }: Apart,
): ApartNeighbour[] => others.filter((other) => other.provider === provider && other.region === region.id)

const names = (others: readonly ApartNeighbour[]): string[] => others.map(({ name }) => name)

/**
 * The fault domain that a machine is to be put in: the machines of a group take those of a zone in turn, in the plan's
 * order, so that none holds two more than another. Undefined where the group asks for none or the book names none.
 */
export function faultDomainOf(subject: ApartSubject): string | undefined {
  const apart = asked(subject)
  const { faultDomains } = subject.region.region
  if (apart?.group.mostInFaultDomain === undefined || !faultDomains) return undefined
  const before = { ...apart, others: apart.others.slice(0, apart.position) }
  const inZone = othersInZone(subject, before, subject.machine.zone)
  return faultDomains[inZone.length % faultDomains.length]
}
