import { zonesSelling, type BookIndex } from '../catalogue/bookIndex.ts'
import { sizeRates, sizesByPrice } from '../catalogue/sizeRates.ts'
import type { DiskKind, Size } from '../catalogue/priceBook.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { Disk, Machine } from './plan.ts'
import { resolveMachine } from './resolveMachine.ts'

/** One name that had to change, as it stands in the plan. */
export interface ForcedChange {
  readonly field: 'region' | 'zone' | 'image' | 'terms' | 'size' | 'disk' | 'off'
  readonly from: string
  readonly to: string
}

export interface NearestOffer {
  readonly machine: Machine
  readonly changes: readonly ForcedChange[]
}

/**
 * The machine with as little changed as makes it something that the book sells and that fits: what the book says took
 * a withdrawn size's place, else the cheapest size that has what the machine needs. Undefined where nothing fits.
 */
export function nearestOffer(
  machine: Machine,
  weeks: readonly WeekPlan[],
  index: BookIndex,
): NearestOffer | undefined {
  const placed = inPlace(machine, index)
  if (!placed) return undefined
  for (const size of candidates(placed, index)) {
    for (const changed of variants({ ...placed, size: size.id }, size, index)) {
      const resolved = resolveMachine(changed, weeks, index)
      if (resolved.ok && fitReasons(resolved.value).length === 0) {
        return { machine: changed, changes: changesOf(machine, changed) }
      }
    }
  }
  return undefined
}

/** Names of place, image and terms that the book has. */
function inPlace(machine: Machine, { regions, images, terms, book }: BookIndex): Machine | undefined {
  const region = regions.get(machine.region) ?? [...regions.values()][0]
  const image = images.get(machine.image) ?? book.images[0]
  const onDemand = book.terms.find(({ kind }) => kind === 'on-demand') ?? book.terms[0]
  const chosen = terms.get(machine.terms) ?? onDemand
  if (!region || !image || !chosen) return undefined
  const { zones } = region.region
  return {
    ...machine,
    region: region.region.id,
    zone: zones.includes(machine.zone) ? machine.zone : zones[0]!,
    image: image.id,
    terms: chosen.id,
  }
}

/** The size itself, what took its place, and then all others from the cheapest; sold on the terms or on any. */
function candidates(machine: Machine, index: BookIndex): Size[] {
  const { book, sizes, regions, terms } = index
  const region = regions.get(machine.region)!
  const wanted = terms.get(machine.terms)!
  let named: string | undefined = machine.size
  while (named !== undefined && !sizes.has(named)) named = book.replacedSizes?.[named]
  const first = named === undefined ? [] : [sizes.get(named)!]
  const soldHere = ({ id }: Size): boolean =>
    zonesSelling(region, id).includes(machine.zone) && sizeRates(region, id, wanted) !== undefined
  return [...first, ...sizesByPrice(region, book.sizes, wanted)].filter(soldHere)
}

/** With its own disks and its own state when off where they can be, then with others, nearest first. */
function* variants(machine: Machine, size: Size, index: BookIndex): Generator<Machine> {
  const dataDisks = machine.dataDisks.map((disk) => placesFor(disk, false, machine, size, index)[0])
  if (dataDisks.some((disk) => !disk)) return
  const systemDisks = placesFor(machine.systemDisk, true, machine, size, index)
  for (const off of offStates(machine, index)) {
    for (const systemDisk of systemDisks)
      yield { ...machine, off, systemDisk, dataDisks: dataDisks as Disk[] }
  }
}

/** The disk on each kind that the size carries and the region sells: its own kind alone where that can be. */
function placesFor(
  disk: Disk,
  boots: boolean,
  machine: Machine,
  size: Size,
  { diskKinds, regions, book }: BookIndex,
): Disk[] {
  const region = regions.get(machine.region)!
  const fits = (kind: DiskKind): boolean =>
    size.diskKinds.includes(kind.id) &&
    (!boots || kind.boots) &&
    (kind.room.by === 'size'
      ? size.localDiskGiB !== undefined
      : diskRate(region, kind, disk.roomGiB) !== undefined)
  const own = diskKinds.get(disk.kind)
  if (own && fits(own)) return [disk]
  // What was bought on top was bought of another kind.
  const { extraIops, extraMegabytesPerSecond, ...plain } = disk
  return book.diskKinds.filter(fits).map(({ id }) => ({ ...plain, kind: id }))
}

const offStates = ({ off }: Machine, { book: { states } }: BookIndex): Machine['off'][] =>
  [...new Set([off, 'deallocated', 'stopped', 'running'] as const)].filter((state) => states[state])

function changesOf(before: Machine, after: Machine): ForcedChange[] {
  const names = ['region', 'zone', 'image', 'terms', 'size', 'off'] as const
  const changes: ForcedChange[] = names.flatMap((field) =>
    before[field] === after[field] ? [] : [{ field, from: before[field], to: after[field] }],
  )
  const disks = [before.systemDisk, ...before.dataDisks]
  ;[after.systemDisk, ...after.dataDisks].forEach((disk, i) => {
    if (disk.kind !== disks[i]!.kind) changes.push({ field: 'disk', from: disks[i]!.kind, to: disk.kind })
  })
  return changes
}
