import type { BillingMonth } from '../calendar/billingMonth.ts'
import {
  diskRate,
  extraIopsRate,
  extraThroughputRate,
  operationsRate,
  type DiskRate,
} from '../catalogue/diskRates.ts'
import { disksOf, type ResolvedDisk, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { lengthOf } from '../quantity/units.ts'
import { missingPrice, type Charge, type ChargeSubject, type MissingPrice } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { withAmount } from './amountOf.ts'
import { cutAtTicks, type Pieces } from './pieces.ts'
import { diskPieces, inMebibytes, MIB_PER_GIB } from './clockPieces.ts'
import { allowanceWaiver, freeGiB } from './freeShare.ts'
import type { SharedAccount } from './sharedAccount.ts'

const OPERATIONS_PER_UNIT = 10_000n

/** Room, what is bought on top of it, and operations, disk by disk. A size's own disk is part of the size's price. */
export function diskCharges(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Charge[] | MissingPrice {
  const charges: Charge[] = []
  for (const disk of disksOf(resolved)) {
    if (disk.kind.room.by === 'size') continue
    const found = diskRate(resolved.region, disk.kind, disk.disk.roomGiB)
    if (!found) return missingPrice('disk')
    const pieces = diskPieces(metered, disk)
    charges.push(...roomCharges(resolved, disk, found, pieces, month, shared))
    const extras = extraCharges(resolved, disk, pieces, month)
    if ('code' in extras) return extras
    charges.push(...extras)
  }
  return charges
}

function roomCharges(
  resolved: ResolvedMachine,
  disk: ResolvedDisk,
  { rate, units, chargedGiB }: DiskRate,
  pieces: Pieces,
  month: BillingMonth,
  shared: SharedAccount | undefined,
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
  const part = { meter: 'disk', subject, rate, units: unitsExact(units) } as const
  const counted = shared && shared.pools.size > 0 ? inMebibytes(pieces, chargedGiB) : undefined
  const free = counted && freeGiB(shared!, resolved, disk, counted)
  if (!free) return [withAmount({ ...part, pieces, ticksPerPeriod: lengthOf(month), ticksPerSecond: 1 })]
  const ticks = {
    ticksPerPeriod: lengthOf(month) * chargedGiB * MIB_PER_GIB,
    ticksPerSecond: chargedGiB * MIB_PER_GIB,
  }
  const [covered, rest] = cutAtTicks(counted!, free.ticks)
  const waived = allowanceWaiver(free)
  return [
    ...(covered.ticks > 0 ? [withAmount({ ...part, pieces: covered, ...ticks, waived })] : []),
    ...(rest.ticks > 0 || covered.ticks === 0 ? [withAmount({ ...part, pieces: rest, ...ticks })] : []),
  ]
}

function extraCharges(
  { region }: ResolvedMachine,
  { position, kind, disk }: ResolvedDisk,
  pieces: Pieces,
  month: BillingMonth,
): Charge[] | MissingPrice {
  const charges: Charge[] = []
  const ticksPerPeriod = lengthOf(month)
  const extras = [
    ['disk-iops', disk.extraIops, extraIopsRate(region, kind)],
    ['disk-throughput', disk.extraMegabytesPerSecond, extraThroughputRate(region, kind)],
  ] as const
  for (const [of, bought, rate] of extras) {
    if (!bought) continue
    if (!rate) return missingPrice('disk-performance')
    const subject = { of, position, name: kind.name, bought }
    charges.push(
      withAmount({
        meter: 'disk',
        subject,
        rate,
        units: unitsExact(bought),
        pieces,
        ticksPerPeriod,
        ticksPerSecond: 1,
      }),
    )
  }
  const rate = operationsRate(region, kind)
  if (rate && disk.operationsPerMonth)
    charges.push(operations(rate, position, kind.name, disk.operationsPerMonth, pieces))
  return charges
}

/** A person expects so many a month; they are spread evenly over the time that the disk is there. */
const operations = (rate: Rate, position: number, name: string, bought: number, pieces: Pieces): Charge =>
  withAmount({
    meter: 'disk',
    subject: { of: 'disk-operations', position, name, bought },
    rate,
    units: { n: BigInt(bought), d: OPERATIONS_PER_UNIT },
    pieces,
    ticksPerPeriod: Math.max(1, pieces.ticks),
    ticksPerSecond: 0,
  })
