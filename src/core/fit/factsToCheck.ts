import { othersInZone } from './apartChecks.ts'
import { disksOf, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { roundTrip } from '../machine/roundTrip.ts'
import { statesWhenOff } from '../machine/whenOff.ts'

/**
 * What this machine rests on and the price book does not say. It closes nothing: whoever creates the machine looks it up.
 * `of` is the name of the size, image, kind of disk or place that the fact is about.
 */
export type FactToCheck =
  | { readonly code: 'size-architecture'; readonly of: string; readonly asks: readonly string[] }
  | { readonly code: 'image-architectures'; readonly of: string; readonly has: string }
  | { readonly code: 'size-iops' | 'disk-iops'; readonly of: string; readonly needs: number }
  | { readonly code: 'size-throughput' | 'disk-throughput'; readonly of: string; readonly needs: number }
  | { readonly code: 'most-disks'; readonly of: string; readonly has: number }
  | { readonly code: 'disk-kinds'; readonly of: string; readonly kinds: readonly string[] }
  | { readonly code: 'size-hibernation' | 'image-hibernation' | 'image-room'; readonly of: string }
  /** What a disk of the kind costs, or the system: nobody has said, and nothing is charged. */
  | { readonly code: 'disk-price' | 'system-price'; readonly of: string }
  | { readonly code: 'jurisdiction'; readonly of: string; readonly allowed: readonly string[] }
  /** Which of its group share a fault domain there: the book names none. */
  | {
      readonly code: 'fault-domains'
      readonly of: string
      readonly group: string
      readonly with: readonly string[]
    }
  | { readonly code: 'distance'; readonly of: string; readonly from: string; readonly most: number }

/** In the order in which a machine is decided. O(disks + places). */
export function factsToCheck(resolved: ResolvedMachine): readonly FactToCheck[] {
  return [
    ...unknownPrices(resolved),
    ...unknownOfPlace(resolved),
    ...unknownOfSize(resolved),
    ...unknownOfDisks(resolved),
    ...unknownWhenOff(resolved),
  ]
}

function* unknownPrices({ index: { book }, systemKind, image }: ResolvedMachine) {
  const assumed = new Set(book.assumed?.map(({ about }) => about))
  if (assumed.has('disk-price')) yield { code: 'disk-price', of: systemKind.name } satisfies FactToCheck
  if (assumed.has('system-price')) yield { code: 'system-price', of: image.name } satisfies FactToCheck
}

function* unknownOfPlace(resolved: ResolvedMachine) {
  const {
    region: { region },
    machine,
    users,
    apart,
  } = resolved
  const { needs, provider } = machine
  const of = region.name
  const allowed = needs.jurisdictions ?? []
  if (allowed.length > 0 && region.jurisdiction === undefined) {
    yield { code: 'jurisdiction', of, allowed } satisfies FactToCheck
  }
  const most = needs.roundTripMs ?? 0
  for (const place of most > 0 ? users : []) {
    if (!roundTrip(place, provider, region)) {
      yield { code: 'distance', of, from: place.name, most } satisfies FactToCheck
    }
  }
  if (apart?.group.mostInFaultDomain !== undefined && region.faultDomains === undefined) {
    const together = othersInZone(resolved, apart, machine.zone)
    if (together.length >= apart.group.mostInFaultDomain) {
      const names = together.map(({ name }) => name)
      yield { code: 'fault-domains', of, group: apart.group.name, with: names } satisfies FactToCheck
    }
  }
}

function* unknownOfSize({ size, image, dataKinds, machine: { needs }, held }: ResolvedMachine) {
  const of = size.name
  const wanted = needs.architecture ?? held?.architecture
  const asks = wanted && wanted !== 'any' ? [wanted] : image.architectures
  // Where an image or a person asks for one of two, the size may be the other.
  if (size.architecture === undefined && asks?.length === 1) {
    yield { code: 'size-architecture', of, asks } satisfies FactToCheck
  }
  if (image.architectures === undefined && size.architecture !== undefined) {
    yield { code: 'image-architectures', of: image.name, has: size.architecture } satisfies FactToCheck
  }
  if (size.iops === undefined && needs.iops > 0) {
    yield { code: 'size-iops', of, needs: needs.iops } satisfies FactToCheck
  }
  const throughput = needs.megabytesPerSecond ?? 0
  if (size.megabytesPerSecond === undefined && throughput > 0) {
    yield { code: 'size-throughput', of, needs: throughput } satisfies FactToCheck
  }
  if (size.mostDisks === undefined && dataKinds.length > 0) {
    yield { code: 'most-disks', of, has: dataKinds.length + 1 } satisfies FactToCheck
  }
}

function* unknownOfDisks(resolved: ResolvedMachine) {
  const { size, index, machine } = resolved
  const kinds = [...new Map(disksOf(resolved).map(({ kind }) => [kind.id, kind])).values()]
  // A provider with one kind of disk sells no size that cannot carry it.
  if (size.diskKinds === undefined && index.book.diskKinds.length > 1) {
    yield {
      code: 'disk-kinds',
      of: size.name,
      kinds: kinds.map(({ name }) => name),
    } satisfies FactToCheck
  }
  for (const { name: of, iops, megabytesPerSecond } of kinds) {
    const { iops: needed, megabytesPerSecond: throughput = 0 } = machine.needs
    if (!iops && needed > 0) yield { code: 'disk-iops', of, needs: needed } satisfies FactToCheck
    if (!megabytesPerSecond && throughput > 0) {
      yield { code: 'disk-throughput', of, needs: throughput } satisfies FactToCheck
    }
  }
}

function* unknownWhenOff(resolved: ResolvedMachine) {
  if (!statesWhenOff(resolved).includes('hibernated')) return
  const { size, image } = resolved
  if (size.hibernation === undefined) yield { code: 'size-hibernation', of: size.name } satisfies FactToCheck
  if (image.hibernation === undefined)
    yield { code: 'image-hibernation', of: image.name } satisfies FactToCheck
  if (image.usedGiB === undefined) yield { code: 'image-room', of: image.name } satisfies FactToCheck
}
