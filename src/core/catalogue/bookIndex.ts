import { rate, type Rate, type RatePeriod } from '../quantity/rate.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type {
  AddressUse,
  DiskKind,
  Image,
  Licence,
  PriceBook,
  Region,
  RegionPrices,
  Size,
} from './priceBook.ts'

/**
 * Look-ups over one price book. Rates are read from their decimal text when first asked for and then kept, region by
 * region, so that opening a large book costs nothing and pricing it again costs a map look-up.
 */
export interface BookIndex {
  readonly book: PriceBook
  readonly sizes: ReadonlyMap<string, Size>
  readonly diskKinds: ReadonlyMap<string, DiskKind>
  readonly images: ReadonlyMap<string, Image>
  readonly licences: ReadonlyMap<string, { readonly licence: Licence; readonly rate: Rate<'hour'> }>
  readonly regions: ReadonlyMap<string, RegionIndex>
}

export interface RegionIndex {
  readonly region: Region
  readonly prices: RegionPrices
  readonly sizeRates: Map<string, Rate<'hour'>>
  readonly diskRates: Map<DiskKind, Map<GiB, DiskRate>>
  readonly otherRates: Map<string, Rate>
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): Map<string, T> =>
  new Map(items.map((item) => [item.id, item]))

const memo = new WeakMap<PriceBook, BookIndex>()

/** The book must have passed validation: ids are unique and safe in a JSON Pointer, references resolve. */
export function indexBook(book: PriceBook): BookIndex {
  let index = memo.get(book)
  if (!index) memo.set(book, (index = makeIndex(book)))
  return index
}

const makeIndex = (book: PriceBook): BookIndex => ({
  book,
  sizes: byId(book.sizes),
  diskKinds: byId(book.diskKinds),
  images: byId(book.images),
  licences: new Map(
    book.licences.map((licence, i) => [
      licence.id,
      { licence, rate: rate(licence.perVcpuHour, 'hour', `/licences/${i}/perVcpuHour`) },
    ]),
  ),
  regions: new Map(
    book.regions.map((region) => [
      region.id,
      { region, prices: book.prices[region.id] ?? { sizes: {}, disks: {}, addresses: {} }, ...noRatesYet() },
    ]),
  ),
})

const noRatesYet = (): Pick<RegionIndex, 'sizeRates' | 'diskRates' | 'otherRates'> => ({
  sizeRates: new Map(),
  diskRates: new Map(),
  otherRates: new Map(),
})

/** A rate that is read from its text when first asked for. */
function keptRate<P extends RatePeriod>(
  region: RegionIndex,
  per: P,
  text: string | undefined,
  path: string,
): Rate<P> | undefined {
  if (text === undefined) return undefined
  let kept = region.otherRates.get(path)
  if (!kept) region.otherRates.set(path, (kept = rate(text, per, pointerIn(region, path))))
  return kept as Rate<P>
}

const pointerIn = (region: RegionIndex, path: string): string => `/prices/${region.region.id}/${path}`

/** On demand. Undefined where the region does not sell the size. */
export function sizeRate(region: RegionIndex, sizeId: string): Rate<'hour'> | undefined {
  const kept = region.sizeRates.get(sizeId)
  if (kept) return kept
  const price = region.prices.sizes[sizeId]
  if (!price) return undefined
  const read = rate(price.perHour, 'hour', pointerIn(region, `sizes/${sizeId}/perHour`))
  region.sizeRates.set(sizeId, read)
  return read
}

/** The zones of the region that sell the size; none where the region does not. */
export function zonesSelling(region: RegionIndex, sizeId: string): readonly string[] {
  const price = region.prices.sizes[sizeId]
  return price ? (price.zones ?? region.region.zones) : []
}

/** The room that is provided and charged when `asked` is asked for. Undefined when the kind has no disk that large or that small. */
export function chargedRoom(kind: DiskKind, asked: GiB): GiB | undefined {
  if (kind.room.by === 'step') return kind.room.stepsGiB.find((step) => step >= asked)
  return asked >= kind.room.leastGiB && asked <= kind.room.mostGiB ? asked : undefined
}

export interface DiskRate {
  readonly rate: Rate<'month'>
  readonly chargedGiB: GiB
  /** How many times the rate is charged: once for a step, else for each GiB. */
  readonly units: number
}

/** Undefined where the region does not sell the kind, or the kind has no such room. */
export function diskRate(region: RegionIndex, kind: DiskKind, asked: GiB): DiskRate | undefined {
  let ofKind = region.diskRates.get(kind)
  if (!ofKind) region.diskRates.set(kind, (ofKind = new Map()))
  const kept = ofKind.get(asked)
  if (kept) return kept
  const price = region.prices.disks[kind.id]
  const charged = chargedRoom(kind, asked)
  if (!price || charged === undefined) return undefined
  const byStep = kind.room.by === 'step'
  const text = byStep ? price.perMonthByStep?.[charged] : price.perGiBMonth
  if (text === undefined) return undefined
  const path = byStep ? `disks/${kind.id}/perMonthByStep/${charged}` : `disks/${kind.id}/perGiBMonth`
  const found = {
    rate: rate(text, 'month', pointerIn(region, path)),
    chargedGiB: charged,
    units: byStep ? 1 : charged,
  }
  ofKind.set(asked, found)
  return found
}

export const addressRate = (
  region: RegionIndex,
  sort: 'fixed' | 'changing',
  use: Exclude<AddressUse, 'none'>,
): Rate<'hour'> | undefined =>
  keptRate(region, 'hour', region.prices.addresses[sort]?.[use], `addresses/${sort}/${use}`)

export const memoryImageRate = (region: RegionIndex): Rate<'month'> | undefined =>
  keptRate(region, 'month', region.prices.memoryImagePerGiBMonth, 'memoryImagePerGiBMonth')

/** IOPS of a disk with this charged room. */
export const diskIops = (kind: DiskKind, charged: GiB): number =>
  Math.min(kind.iops.most, Math.max(kind.iops.least, kind.iops.base + kind.iops.perGiB * charged))

/** Rooms worth offering: the steps, or round sizes between the least and the most of a kind sold by the GiB. */
export function offeredRooms(kind: DiskKind): readonly GiB[] {
  if (kind.room.by === 'step') return kind.room.stepsGiB
  const { leastGiB, mostGiB } = kind.room
  const rooms = new Set<GiB>([leastGiB, mostGiB])
  for (let room = 8; room < mostGiB; room *= 2) {
    for (const part of [room, room * 1.5]) if (part > leastGiB && part < mostGiB) rooms.add(gib(part))
  }
  return [...rooms].sort((a, b) => a - b)
}
