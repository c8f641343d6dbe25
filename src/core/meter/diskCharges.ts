import type { BillingMonth } from '../calendar/billingMonth.ts'
import {
  diskRate,
  extraIopsRate,
  extraThroughputRate,
  operationsRate,
  type DiskRate,
} from '../catalogue/diskRates.ts'
import type { RegionIndex } from '../catalogue/bookIndex.ts'
import type { ResolvedDisk } from '../machine/resolveMachine.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { lengthOf } from '../quantity/units.ts'
import { accept, type Outcome } from '../outcome.ts'
import { bandOfRate, missingPrice, type Charge, type ChargeSubject, type MissingPrice } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { disksOfReads, regionOf, type BelongingsReads } from './chargeReads.ts'
import { makeCharge } from './makeCharge.ts'
import type { Pieces } from './pieces.ts'
import { diskPieces, inMebibytes, MIB_PER_GIB, monthTariff } from './clockPieces.ts'
import { cutFree, diskShare, freeRoom, type FreeShare } from './freeShare.ts'

const OPERATIONS_PER_UNIT = 10_000n

/** Room, what is bought on top of it, and operations, disk by disk. A size's own disk is part of the size's price. */
export function diskCharges(reads: BelongingsReads, context: ChargeContext): Outcome<Charge[], MissingPrice> {
  const { metered, month } = context
  const region = regionOf(reads, context)
  const charges: Charge[] = []
  const room = freeRoom(reads, context)
  for (const disk of disksOfReads(reads, context)) {
    if (disk.kind.room.by === 'size') continue
    const found = diskRate(region, disk.kind, disk.disk.roomGiB)
    if (!found) return missingPrice('disk')
    const pieces = diskPieces(metered, disk)
    charges.push(...roomCharges(disk, found, pieces, month, diskShare(room, reads, disk)))
    const extras = extraCharges(region, disk, pieces, context)
    if (!extras.ok) return extras
    charges.push(...extras.value)
  }
  return accept(charges)
}

function roomCharges(
  disk: ResolvedDisk,
  { parts, chargedGiB }: DiskRate,
  pieces: Pieces,
  month: BillingMonth,
  free: FreeShare | undefined,
): Charge[] {
  const { position, kind } = disk
  const subject: ChargeSubject = {
    of: 'disk',
    position,
    name: kind.name,
    askedGiB: disk.disk.roomGiB,
    chargedGiB,
    byStep: kind.room.by === 'step',
  }
  const ticksPerSecond = chargedGiB * MIB_PER_GIB
  const cut = free && cutFree(inMebibytes(pieces, chargedGiB), free)
  return parts.flatMap(({ rate, units: each, band: bandRate }) => {
    const units = unitsExact(each)
    const band = bandRate && bandOfRate(bandRate)
    const rules = { rounding: undefined, band, waived: undefined }
    if (!cut) return [makeCharge('disk', subject, monthTariff(rate, units, month), pieces, rules)]
    const tariff = { rate, units, ticksPerPeriod: lengthOf(month) * ticksPerSecond, ticksPerSecond }
    const { covered, rest } = cut
    const charges = covered.map(([own, waived]) =>
      makeCharge('disk', subject, tariff, own, { ...rules, waived }),
    )
    if (rest.ticks > 0 || covered.length === 0) charges.push(makeCharge('disk', subject, tariff, rest, rules))
    return charges
  })
}

/** IOPS and throughput bought on top, and operations. */
function extraCharges(
  region: RegionIndex,
  { position, kind, disk }: ResolvedDisk,
  pieces: Pieces,
  { metered: { running }, month }: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const charges: Charge[] = []
  const buy = (of: 'disk-iops' | 'disk-throughput', bought: number, rate: Rate | undefined): boolean => {
    if (!rate) return false
    const subject = { of, position, name: kind.name, bought }
    charges.push(makeCharge('disk', subject, monthTariff(rate, unitsExact(bought), month), pieces))
    return true
  }
  const { extraIops, extraMegabytesPerSecond, operationsPerMonth } = disk
  const sold =
    (!extraIops || buy('disk-iops', extraIops, extraIopsRate(region, kind))) &&
    (!extraMegabytesPerSecond ||
      buy('disk-throughput', extraMegabytesPerSecond, extraThroughputRate(region, kind)))
  if (!sold) return missingPrice('disk-performance')
  const rate = operationsPerMonth ? operationsRate(region, kind) : undefined
  if (rate && operationsPerMonth && running.ticks > 0)
    charges.push(operations(rate, position, kind.name, operationsPerMonth, running))
  return accept(charges)
}

/** So many are expected of a month in which the machine runs; they are spread evenly over the time that it does. */
function operations(rate: Rate, position: number, name: string, bought: number, running: Pieces): Charge {
  const tariff = {
    rate,
    units: { n: BigInt(bought), d: OPERATIONS_PER_UNIT },
    ticksPerPeriod: running.ticks,
    ticksPerSecond: 0,
  }
  return makeCharge('disk', { of: 'disk-operations', position, name, bought }, tariff, running)
}
