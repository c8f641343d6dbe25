import type { Disk } from '../core/machine/plan.ts'
import { ownValue } from '../core/ownValue.ts'
import { exact, multiply } from '../core/quantity/exact.ts'
import { chargedRoom, disksOf, kindOf, NotSold, pricesOf, rowOf, usedRoom } from './catalogueFacts.ts'
import { runningTime, timeIn } from './counted.ts'
import { diskKey, diskTime, MIB_PER_GIB } from './freePools.ts'
import type { MeterContext } from './MeterContext.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { cutAt, ticksOf, times, type Stretch } from './stretches.ts'
import { bandsOf, FREE, number, ONE, per, type Usage } from './usage.ts'

/** Disks, their snapshots and what they bring back, operations, and the address. */
export const belongingsUsage = (machine: PracticeMachine, context: MeterContext): Usage[] => [
  ...disksOf(machine.order).flatMap((disk, place) => diskUsage(machine, disk, place, context)),
  ...addressUsage(machine, context),
]

function diskUsage(machine: PracticeMachine, disk: Disk, place: number, context: MeterContext): Usage[] {
  const { book, month, within } = context
  const prices = ownValue(pricesOf(machine.order, book).disks, disk.kind)
  const time = diskTime(machine, place, within, book)
  const length = month.to - month.from
  const isOwn = kindOf(disk, book).room.by === 'size'
  const common = {
    service: 'disks',
    part: `disk-${place}`,
    share: ONE,
    details: { DiskType: disk.kind, DiskSpace: chargedRoom(disk, machine.order, book) },
  } as const
  const bought = (meter: string, count = 0, price: string | undefined, unit: string): Usage[] =>
    count === 0 || price === undefined || isOwn
      ? []
      : [{ ...common, meter, price, unit, perTick: per(length, number(count)), stretches: time }]
  return [
    ...(isOwn
      ? []
      : roomUsage(machine, disk, place, time, context).map((usage) => ({ ...common, ...usage }))),
    ...bought('disk IOPS', disk.extraIops, prices?.perExtraIopsMonth, 'IOPS-Months'),
    ...bought(
      'disk throughput',
      disk.extraMegabytesPerSecond,
      prices?.perExtraMegabytesPerSecondMonth,
      'MB/s-Months',
    ),
    ...(isOwn ? [] : operationsUsage(machine, disk, prices?.perTenThousandOperations, context)).map(
      (usage) => ({
        ...common,
        ...usage,
      }),
    ),
    ...snapshotUsage(machine, disk, place, context),
  ]
}

type RoomUsage = Pick<Usage, 'meter' | 'price' | 'unit' | 'perTick' | 'stretches'> &
  Partial<Pick<Usage, 'share'>>

/** Room at a step’s price, by the GiB, or in bands of its GiB; what a pool covers first. */
function roomUsage(
  machine: PracticeMachine,
  disk: Disk,
  place: number,
  time: readonly Stretch[],
  { book, month, free }: MeterContext,
): RoomUsage[] {
  const prices = ownValue(pricesOf(machine.order, book).disks, disk.kind)
  const room = chargedRoom(disk, machine.order, book)
  const isStep = kindOf(disk, book).room.by === 'step'
  const stepPrice = ownValue(prices?.perMonthByStep, String(room))
  const bands = isStep
    ? [{ price: stepPrice, count: ONE }]
    : prices?.perGiBMonthBands
      ? bandsOf(prices.perGiBMonthBands, number(room)).map(({ band, within }) => ({
          price: band.price,
          count: within,
        }))
      : [{ price: prices?.perGiBMonth, count: number(room) }]
  const [covered, rest] = cutAt(times(time, room * MIB_PER_GIB), free.get(diskKey(machine, place)) ?? 0)
  return bands.flatMap(({ price, count }) => {
    if (price === undefined) throw new NotSold('disk room', String(room))
    const usage = {
      meter: 'disk',
      price,
      unit: isStep ? 'Months' : 'GiB-Months',
      perTick: per((month.to - month.from) * room * MIB_PER_GIB, count),
    }
    return [
      { ...usage, stretches: covered, share: FREE },
      { ...usage, stretches: rest, share: ONE },
    ].filter(({ stretches }) => stretches.length > 0)
  })
}

/** Operations come while the machine runs. */
function operationsUsage(
  machine: PracticeMachine,
  { operationsPerMonth = 0 }: Disk,
  price: string | undefined,
  { within, month }: MeterContext,
): RoomUsage[] {
  const running = runningTime(machine, within)
  const seconds = machine.order.runningSeconds ?? month.to - month.from
  if (price === undefined || operationsPerMonth === 0 || running.length === 0 || seconds === 0) return []
  const perTick = per(seconds * 10_000, number(operationsPerMonth))
  return [{ meter: 'disk operations', price, unit: '10000 Requests', perTick, stretches: running }]
}

/** Snapshots are charged as they stand once all that are kept exist, and outlive the machine. */
function snapshotUsage(machine: PracticeMachine, disk: Disk, place: number, context: MeterContext): Usage[] {
  const { book, month, within } = context
  const { snapshots } = disk
  if (!snapshots?.kept) return []
  const prices = pricesOf(machine.order, book)
  const used = number(usedRoom(machine.order, place, book))
  if (prices.snapshotPerGiBMonth === undefined) throw new NotSold('snapshots', disk.kind)
  const kept = multiply(used, {
    n: BigInt(100 + (snapshots.kept - 1) * snapshots.changedPercent),
    d: 100n,
  })
  const common = { service: 'snapshots', part: `disk-${place}-snapshots`, share: ONE } as const
  const restored = machine.restoredAt
    .filter((at) => at >= within.from && at < within.to)
    .map((at) => ({ from: at, to: at + 1, ticks: 1 }))
  return [
    {
      ...common,
      meter: 'snapshots',
      price: prices.snapshotPerGiBMonth,
      unit: 'GiB-Months',
      perTick: per(month.to - month.from, kept),
      stretches: timeIn(machine, within, () => true),
    },
    ...(disk.goes && prices.restorePerGiB !== undefined && restored.length > 0
      ? [
          {
            ...common,
            meter: 'restore',
            price: prices.restorePerGiB,
            unit: 'GiB',
            perTick: multiply(used, exact(1)),
            stretches: restored,
          },
        ]
      : []),
  ]
}

/** By what the address is used for in each state; one that goes with its machine is never without one. */
function addressUsage(machine: PracticeMachine, { book, within }: MeterContext): Usage[] {
  const { address, addressGoes } = machine.order
  if (address === 'none') return []
  const prices = pricesOf(machine.order, book).addresses[address]
  const stays = address === 'fixed' && (!addressGoes || machine.leftBehind.has('address'))
  return (['attachedOn', 'attachedOff', 'unattached'] as const).flatMap((use): Usage[] => {
    const stretches = timeIn(machine, within, (state) => rowOf(state, book).address === use)
    if (ticksOf(stretches) === 0 || (use === 'unattached' && !stays)) return []
    const price = prices?.[use]
    if (price === undefined) throw new NotSold('address', address)
    const meter = `address ${address} ${use}`
    return [
      {
        service: 'addresses',
        part: 'address',
        meter,
        price,
        unit: 'Hours',
        perTick: per(3_600),
        stretches,
        share: ONE,
      },
    ]
  })
}
