import { ownValue } from '../ownValue.ts'
import { keptFor } from '../keptFor.ts'
import { rate, type Rate } from '../quantity/rate.ts'
import { gib, type GiB } from '../quantity/units.ts'
import { bandRates, type BandRate } from './bandRates.ts'
import { keptRate, pointerIn, type RegionIndex } from './bookIndex.ts'
import type { DiskKind, Size } from './priceBook.ts'

/**
 * The room that is provided and charged when `asked` is asked for; for a size's own disk, what the size has. Undefined
 * when the kind has no disk that large or that small, or the size has none of its own.
 */
export function chargedRoom(kind: DiskKind, asked: GiB, size: Size): GiB | undefined {
  if (kind.room.by === 'size') return size.localDiskGiB
  if (kind.room.by === 'step') return kind.room.stepsGiB.find((step) => step >= asked)
  return asked >= kind.room.leastGiB && asked <= kind.room.mostGiB ? asked : undefined
}

export interface DiskRate {
  readonly chargedGiB: GiB
  /** They add up; several where room is sold in bands. */
  readonly parts: readonly DiskRatePart[]
}

interface DiskRatePart {
  readonly rate: Rate
  /** How many times the rate is charged: once for a step, else for each GiB. */
  readonly units: number
  readonly band?: BandRate
}

const ratesOf: (region: RegionIndex) => (kind: DiskKind) => Map<GiB, DiskRate> = keptFor(() =>
  keptFor(() => new Map()),
)

/** Undefined where the region does not sell the kind, or the kind has no such room; a size's own disk has no rate. */
export function diskRate(region: RegionIndex, kind: DiskKind, asked: GiB): DiskRate | undefined {
  if (kind.room.by === 'size') return undefined
  const ofKind = ratesOf(region)(kind)
  const kept = ofKind.get(asked)
  if (kept) return kept
  const found = readDiskRate(region, kind, asked)
  if (found) ofKind.set(asked, found)
  return found
}

function readDiskRate(region: RegionIndex, kind: DiskKind, asked: GiB): DiskRate | undefined {
  const price = ownValue(region.prices.disks, kind.id)
  if (!price) return undefined
  const path = `disks/${kind.id}`
  if (kind.room.by === 'step') {
    const step = kind.room.stepsGiB.find((candidate) => candidate >= asked)
    const text = step === undefined ? undefined : ownValue(price.perMonthByStep, String(step))
    if (step === undefined || text === undefined) return undefined
    const pointer = pointerIn(region, `${path}/perMonthByStep/${step}`)
    return { chargedGiB: step, parts: [{ rate: rate(text, 'month', pointer), units: 1 }] }
  }
  if (kind.room.by === 'size') return undefined
  if (asked < kind.room.leastGiB || asked > kind.room.mostGiB) return undefined
  if (price.perGiBMonthBands) {
    const bands = bandRates(region, 'month', price.perGiBMonthBands, `${path}/perGiBMonthBands`)
    const reached = bands.filter(({ from }) => from < asked)
    const parts = reached.map((band) => ({
      rate: band.rate,
      units: Math.min(asked, band.to) - band.from,
      band,
    }))
    return { chargedGiB: asked, parts }
  }
  const perGiB = keptRate(region, 'month', price.perGiBMonth, `${path}/perGiBMonth`)
  return perGiB && { chargedGiB: asked, parts: [{ rate: perGiB, units: asked }] }
}

/** Rates of what is bought or counted beside room; undefined where the region does not sell it. */
export const extraIopsRate = (region: RegionIndex, kind: DiskKind): Rate | undefined =>
  diskExtra(region, kind, 'month', 'perExtraIopsMonth')

export const extraThroughputRate = (region: RegionIndex, kind: DiskKind): Rate | undefined =>
  diskExtra(region, kind, 'month', 'perExtraMegabytesPerSecondMonth')

export const operationsRate = (region: RegionIndex, kind: DiskKind): Rate | undefined =>
  diskExtra(region, kind, '10,000 operations', 'perTenThousandOperations')

const diskExtra = (
  region: RegionIndex,
  kind: DiskKind,
  per: Rate['per'],
  field: 'perExtraIopsMonth' | 'perExtraMegabytesPerSecondMonth' | 'perTenThousandOperations',
): Rate | undefined =>
  keptRate(region, per, ownValue(region.prices.disks, kind.id)?.[field], `disks/${kind.id}/${field}`)

/** Rooms worth offering: the steps, or round sizes between the least and the most of a kind sold by the GiB. */
export function offeredRooms(kind: DiskKind): readonly GiB[] {
  if (kind.room.by === 'step') return kind.room.stepsGiB
  if (kind.room.by === 'size') return []
  const { leastGiB, mostGiB } = kind.room
  const rooms = new Set<GiB>([leastGiB, mostGiB])
  for (let room = 8; room < mostGiB; room *= 2) {
    for (const part of [room, room * 1.5]) if (part > leastGiB && part < mostGiB) rooms.add(gib(part))
  }
  return [...rooms].sort((a, b) => a - b)
}
