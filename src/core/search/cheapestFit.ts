import type { RegionIndex } from '../catalogue/bookIndex.ts'
import { kindsCarried } from '../catalogue/notKnown.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import type { Image } from '../catalogue/priceBook.ts'
import { openZones } from '../fit/apartChecks.ts'
import { fitReasons, placeReasons } from '../fit/fitReasons.ts'
import type { Decision } from '../machine/decision.ts'
import { exchanged } from '../machine/exchange.ts'
import { fittingSizes, withChosen, type FittingSize } from '../carry/fittingSizes.ts'
import { onKind } from '../machine/onKind.ts'
import { neededImages } from '../machine/neededImages.ts'
import type { Disk, Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import { keptDecisions } from '../decisions/keptDecisions.ts'
import { ownProvider } from '../notches/pricedProvider.ts'
import { withOffPlan } from '../off/offPlan.ts'
import { compare, toNumber, type Exact } from '../quantity/exact.ts'
import { countChanges } from './countChanges.ts'
import { leastCost } from './leastCost.ts'
import { neededRooms } from './neededRooms.ts'
import {
  dataDiskIn,
  isBoundToProvider,
  offPlansToTry,
  termsToTry,
  type SearchOptions,
} from './searchedChoices.ts'
import type { PlatesInputs } from '../notches/plate.ts'

export interface Found {
  readonly machine: Machine
  /** The month in the currency of the machine that was searched for. */
  readonly total: Exact
}

export interface SearchProgress {
  /** Regions looked through, of all. */
  readonly done: number
  readonly of: number
}

/**
 * The cheapest machine that has all that is needed, over size, place, terms, image (where any of a sort will do), kind and
 * room of the system disk and state when off together. Of equally cheap ones, the one that changes least. Sizes of free choice come with the least that is needed.
 * Undefined where nothing fits. Yields after each region, so that it can be shown and given up.
 *
 * O(regions × states × terms × fitting sizes) bounds; only what could be cheaper than the best so far is priced.
 */
export function* cheapestFit(
  inputs: PlatesInputs,
  options: SearchOptions = {},
): Generator<SearchProgress, Found | undefined> {
  const regions = searchedRegions(inputs, options)
  const best = new Best(inputs.resolved.machine)
  for (const [done, region] of regions.entries()) {
    yield { done, of: regions.length }
    searchRegion(region, best)
  }
  yield { done: regions.length, of: regions.length }
  return best.found
}

/** A provider that was not looked at, or offers nothing, and why. */
export interface LeftOut {
  readonly provider: string
  readonly why: 'currency' | 'image' | 'pinned'
  /** The currency that has no rate. */
  readonly currency: string
}

/** Providers with a book for the month that the search leaves out. */
export function searchLeavesOut({ resolved: { machine }, elsewhere = [] }: PlatesInputs): LeftOut[] {
  const kept = keptDecisions(machine)
  const isBound = isBoundToProvider(kept)
  return elsewhere.flatMap(({ index, exchange }): LeftOut[] => {
    const { currency, provider } = index.book
    const why = isBound
      ? 'pinned'
      : exchange.kind === 'missing'
        ? 'currency'
        : neededImages(machine, index).length === 0
          ? 'image'
          : undefined
    return why === undefined ? [] : [{ provider: provider.name, why, currency }]
  })
}

interface SearchedRegion {
  readonly options: SearchOptions
  readonly seller: PricedProvider
  readonly region: RegionIndex
  readonly image: Image
  readonly sizes: readonly FittingSize[]
  readonly kept: ReadonlySet<Decision>
  readonly inputs: PlatesInputs
  readonly isHome: boolean
}

/** The machine's own region first, so that a good price is known early. */
function searchedRegions(inputs: PlatesInputs, options: SearchOptions): SearchedRegion[] {
  const { resolved, elsewhere = [] } = inputs
  const { machine } = resolved
  const kept = keptDecisions(machine)
  const own = ownProvider(inputs)
  const sellers = isBoundToProvider(kept) ? [own] : [own, ...elsewhere]
  const regions = sellers.flatMap((seller) => {
    const { index, exchange } = seller
    if (exchange.kind === 'missing') return []
    const images = kept.has('image') ? [resolved.image] : neededImages(machine, index)
    const withSizes = images.map((image) => ({
      image,
      sizes: fittingSizes(machine, image, index, resolved.size, resolved.held).filter(
        ({ size }) => !kept.has('size') || size.id === machine.size,
      ),
    }))
    return [...index.regions.values()].flatMap((region): SearchedRegion[] => {
      const isHome = seller === own && region.region.id === machine.region
      if (kept.has('place') && !isHome) return []
      const there = { ...resolved, region, machine: { ...machine, provider: index.book.provider.id } }
      if (placeReasons(there).length > 0) return []
      return withSizes.map(({ image, sizes }) => ({
        options,
        seller,
        region,
        image,
        sizes,
        kept,
        inputs,
        isHome,
      }))
    })
  })
  return regions.sort((a, b) => Number(b.isHome) - Number(a.isHome))
}

function searchRegion(searched: SearchedRegion, best: Best): void {
  const { options, seller, region, image, sizes, kept, inputs } = searched
  const { index, month } = seller
  const { resolved } = inputs
  const { machine } = resolved
  const rate = seller.exchange.kind === 'rate' ? toNumber(seller.exchange.value) : 1
  for (const off of offPlansToTry(machine, index.book, kept)) {
    for (const terms of termsToTry(machine, index.book.terms, kept, options)) {
      for (const { size, chosen } of sizes) {
        const zone = zoneFor(searched, size.id)
        if (zone === undefined) continue
        const named = {
          ...withOffPlan(withChosen(machine, chosen), off),
          provider: index.book.provider.id,
          region: region.region.id,
          zone,
          size: size.id,
          image: image.id,
          terms: terms.id,
        }
        const alike = { ...resolved, machine: named, index, region, size, image, terms }
        const metered = meterMachine(alike, month)
        const least = leastCost(region, size, terms, metered, month, index.book)
        if (least === undefined || least * rate > best.limit) continue
        for (const candidate of withDisks(alike, kept)) {
          if (fitReasons(candidate).length > 0) continue
          const total = machineTotal(candidate, month, seller.shared)
          const inOwn = total && exchanged(total, seller.exchange)
          if (inOwn) best.consider(candidate.machine, inOwn)
        }
      }
    }
  }
}

/** The machine's own zone where it stands there and the zone is open for the size, else the first that is. */
function zoneFor(
  { region, seller, kept, inputs: { resolved }, isHome }: SearchedRegion,
  size: string,
): string | undefined {
  const { machine } = resolved
  const there = { ...machine, provider: seller.index.book.provider.id }
  const open = openZones({ ...resolved, region, machine: there }, size)
  if (isHome && open.includes(machine.zone)) return machine.zone
  return isHome && kept.has('place') ? undefined : open[0]
}

/** On each kind of system disk that boots, in each room that it may need; data disks stay on their own kinds, or on the cheapest that can be. */
function* withDisks(resolved: ResolvedMachine, kept: ReadonlySet<Decision>): Generator<ResolvedMachine> {
  const { machine, index, size, region } = resolved
  const dataDisks = machine.dataDisks.map((disk) => dataDiskIn(disk, resolved))
  if (dataDisks.some((disk) => !disk)) return
  const placed = dataDisks as Disk[]
  const dataKinds = placed.map(({ kind }) => index.diskKinds.get(kind)!)
  const carried = kindsCarried(size, index)
  for (const kind of carried) {
    if (!kind.boots || (kept.has('disk-kind') && kind.id !== machine.systemDisk.kind)) continue
    const alike = { ...resolved, systemKind: kind, dataKinds, machine: { ...machine, dataDisks: placed } }
    const rooms = kept.has('disk-room') ? [machine.systemDisk.roomGiB] : neededRooms(alike, kind)
    for (const roomGiB of rooms) {
      if (kind.room.by !== 'size' && !diskRate(region, kind, roomGiB)) continue
      const systemDisk = { ...onKind(machine.systemDisk, kind.id), roomGiB }
      yield { ...alike, machine: { ...alike.machine, systemDisk } }
    }
  }
}

/** The best so far; of two that cost the same, the one that differs in fewer fields. */
class Best {
  found: Found | undefined
  /** Above this nothing needs to be priced. */
  limit = Infinity
  private changes = Infinity

  constructor(private readonly before: Machine) {}

  consider(machine: Machine, total: Exact): void {
    const order = this.found ? compare(total, this.found.total) : -1
    if (order > 0) return
    const changes = countChanges(this.before, machine)
    if (order === 0 && changes >= this.changes) return
    this.found = { machine, total }
    this.changes = changes
    this.limit = toNumber(total) * (1 + 1e-9)
  }
}
