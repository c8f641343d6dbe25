import { ownValue } from '../ownValue.ts'
import { mayCarry } from '../catalogue/notKnown.ts'
import { zonesSelling, type BookIndex, type RegionIndex } from '../catalogue/bookIndex.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { DiskKind, Image, Size, Terms } from '../catalogue/priceBook.ts'
import { sizeRates } from '../catalogue/sizeRates.ts'
import { openZones, zoneReason } from '../fit/apartChecks.ts'
import { sellsIopsOf } from '../fit/diskChecks.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { fitsBut } from '../fit/fitReasons.ts'
import { offPlanOf, withOffPlan, type OffPlan } from '../off/offPlan.ts'
import { akinImage } from '../machine/akinImage.ts'
import { apartOf } from '../machine/apart.ts'
import { proposedChoice } from '../machine/chosenSize.ts'
import type { Decision } from '../machine/decision.ts'
import { changesBetween, type ForcedChange } from '../machine/forcedChange.ts'
import { withChosen, type SizeShape } from './fittingSizes.ts'
import { NearestSizes } from './nearestSizes.ts'
import { onKind } from '../machine/onKind.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import { resolveMachine, type PlanParts, type ResolvedMachine } from '../machine/resolveMachine.ts'

export interface CarriedOver {
  readonly machine: Machine
  readonly resolved: ResolvedMachine
  readonly changes: readonly ForcedChange[]
}

export interface CarryOptions {
  /** What the size should be like; the cheapest that fits where absent. */
  readonly like?: SizeShape | undefined
  /** Decisions that may not change. */
  readonly kept?: ReadonlySet<Decision>
  /** Reasons that may remain: those for which the machine does not fit as it is. */
  readonly tolerated?: ReadonlySet<FitReason['code']>
  /** Sizes put in order before, where many places of a book are asked about. */
  readonly sizes?: NearestSizes
}

const NONE: ReadonlySet<never> = new Set()

/**
 * The machine with as little changed as makes it something that the book sells and that fits: its own names where they
 * can be, what the book says took a withdrawn size's place, else the nearest size that has what the machine needs.
 * Undefined where nothing fits.
 */
export function carryOver(
  machine: Machine,
  plan: PlanParts,
  index: BookIndex,
  options: CarryOptions = {},
): CarriedOver | undefined {
  const { like, kept = NONE, tolerated = NONE } = options
  const placed = inPlace(machine, index, kept)
  if (!placed) return undefined
  const { image, region } = placed
  const apart = apartOf(machine, plan)
  const sizes = options.sizes ?? new NearestSizes(placed.machine, image, index, like, plan.held)
  for (const terms of termsToTry(placed, index, kept)) {
    for (const size of candidates(placed, terms, sizes, index, kept)) {
      const chosen = machine.chosen ?? proposedChoice(size, machine.needs, like)
      const sized = withChosen({ ...placed.machine, size: size.id, terms: terms.id }, chosen)
      for (const changed of variants(
        { machine: sized, region, ...(apart && { apart }) },
        size,
        index,
        options,
      )) {
        const resolved = resolveMachine(changed, plan, index)
        if (!resolved.ok || !fitsBut(resolved.value, tolerated)) continue
        const changes = changesBetween(machine, changed, index)
        return { machine: changed, resolved: resolved.value, changes }
      }
    }
  }
  return undefined
}

interface Placed {
  readonly machine: Machine
  readonly region: RegionIndex
  readonly image: Image
  readonly terms: Terms
}

/** Names of place, image and terms that the book has. */
function inPlace(machine: Machine, index: BookIndex, kept: ReadonlySet<Decision>): Placed | undefined {
  const { regions, terms, book } = index
  const region = regions.get(machine.region) ?? (kept.has('place') ? undefined : [...regions.values()][0])
  const image = akinImage(machine.image, index) ?? (kept.has('place') ? undefined : book.images[0])
  const onDemand = book.terms.find(({ kind }) => kind === 'on-demand') ?? book.terms[0]
  const chosen = terms.get(machine.terms) ?? onDemand
  if (!region || !image || !chosen) return undefined
  const { zones } = region.region
  const zone = zones.includes(machine.zone) ? machine.zone : zones[0]!
  return {
    machine: { ...machine, region: region.region.id, zone, image: image.id, terms: chosen.id },
    region,
    image,
    terms: chosen,
  }
}

function termsToTry({ terms }: Placed, { book }: BookIndex, kept: ReadonlySet<Decision>): readonly Terms[] {
  if (kept.has('terms')) return [terms]
  const others = book.terms.filter(
    ({ id, kind }) => id !== terms.id && (kind === 'on-demand' || kind === 'flat'),
  )
  return [terms, ...others]
}

/** The size itself, what took its place, and then the nearest. */
function* candidates(
  { machine, region }: Placed,
  terms: Terms,
  nearest: NearestSizes,
  { book, sizes }: BookIndex,
  kept: ReadonlySet<Decision>,
): Generator<Size> {
  let named: string | undefined = machine.size
  while (named !== undefined && !sizes.has(named)) named = ownValue(book.replacedSizes, named)
  const own = named === undefined ? undefined : sizes.get(named)
  if (own && sizeRates(region, own.id, terms)) yield own
  if (!kept.has('size')) yield* nearest.in(region, terms)
}

/** In its own zone, with its own disks and state when off where they can be, then with others, nearest first. */
function* variants(
  placed: Pick<ResolvedMachine, 'machine' | 'region' | 'apart'>,
  size: Size,
  index: BookIndex,
  options: CarryOptions,
): Generator<Machine> {
  const { machine, region } = placed
  const { kept = NONE, tolerated = NONE } = options
  const zones = zonesToTry(placed, size, kept, tolerated)
  const carried = { size, region, index, tolerated }
  const dataDisks = machine.dataDisks.map((disk) => disksToTry(disk, carried, 'data', kept)[0])
  if (dataDisks.some((disk) => !disk)) return
  const systemDisks = disksToTry(machine.systemDisk, carried, 'system', kept)
  for (const off of offPlans(machine, index, kept)) {
    for (const zone of zones) {
      for (const systemDisk of systemDisks) {
        yield { ...withOffPlan(machine, off), zone, systemDisk, dataDisks: dataDisks as Disk[] }
      }
    }
  }
}

/** Its own where that sells the size and has room for it; else, where it may move, the others that do. */
function zonesToTry(
  placed: Pick<ResolvedMachine, 'machine' | 'region' | 'apart'>,
  size: Size,
  kept: ReadonlySet<Decision>,
  tolerated: ReadonlySet<FitReason['code']>,
): readonly string[] {
  const { zone } = placed.machine
  const full = zoneReason(placed, zone)
  const isFull = full !== undefined && !tolerated.has(full.code)
  const isSold = zonesSelling(placed.region, size.id).includes(zone)
  if (isSold && (!isFull || kept.has('place'))) return [zone]
  // Where another size may stand in, one that the zone sells does.
  const mayMove = !kept.has('place') && (kept.has('size') || isFull)
  return mayMove ? openZones(placed, size.id) : []
}

interface DiskAsked {
  readonly size: Size
  readonly region: RegionIndex
  readonly index: BookIndex
  readonly tolerated: NonNullable<CarryOptions['tolerated']>
}

/** The disk on each kind that the size carries and the region sells: its own kind alone where that can be. */
function disksToTry(
  disk: Disk,
  { size, region, index: { diskKinds, book }, tolerated }: DiskAsked,
  use: 'system' | 'data',
  kept: ReadonlySet<Decision>,
): Disk[] {
  const fits = (kind: DiskKind): boolean =>
    mayCarry(size, kind.id) &&
    (use === 'data' || kind.boots) &&
    (kind.room.by === 'size'
      ? size.localDiskGiB !== undefined
      : diskRate(region, kind, disk.roomGiB) !== undefined)
  const own = diskKinds.get(disk.kind)
  // No size makes a kind sell what it does not: there is nothing to try then.
  if (own && fits(own)) return tolerated.has('iops-not-sold') || sellsIopsOf(own, disk) ? [disk] : []
  if (own && kept.has(use === 'system' ? 'disk-kind' : 'data-disk')) return []
  return book.diskKinds.filter(fits).map(({ id }) => onKind(disk, id))
}

/** Its own, where the provider has the states of it, and then the usual ones for every gap. */
function offPlans(machine: Machine, { book }: BookIndex, kept: ReadonlySet<Decision>): OffPlan[] {
  const own = lackedState(machine, book) ? [] : [offPlanOf(machine)]
  if (kept.has('off') && own.length > 0) return own
  const usual = (['deallocated', 'stopped', 'running'] as const).filter(
    (off) => book.states[off] && (off !== machine.off || machine.longGaps),
  )
  return [...own, ...usual.map((off) => ({ off }))]
}
