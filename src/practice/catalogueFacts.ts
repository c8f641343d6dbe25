import type { DiskKind, Image, PriceBook, Size, StateRow, Terms } from '../core/catalogue/priceBook.ts'
import { ownValue } from '../core/ownValue.ts'
import type { Disk } from '../core/machine/plan.ts'
import type { PowerState } from '../core/off/powerState.ts'
import type { MachineOrder } from './machineOrder.ts'

/** Something in an order that the book does not sell. */
export class NotSold extends Error {
  constructor(
    readonly field: string,
    readonly value: string,
  ) {
    super(`Found ${field} "${value}". Expected: one that is sold there.`)
  }
}

function found<Thing>(thing: Thing | undefined, field: string, value: string): Thing {
  if (thing === undefined) throw new NotSold(field, value)
  return thing
}

const byId = <Thing extends { readonly id: string }>(
  things: readonly Thing[],
  id: string,
  field: string,
): Thing =>
  found(
    things.find((thing) => thing.id === id),
    field,
    id,
  )

/** With what was chosen of it. */
export function sizeOf(order: Pick<MachineOrder, 'size' | 'chosen'>, { sizes }: PriceBook): Size {
  const size = byId(sizes, order.size, 'size')
  return size.choice && order.chosen ? { ...size, ...order.chosen } : size
}

export const termsOf = ({ terms }: Pick<MachineOrder, 'terms'>, book: PriceBook): Terms =>
  byId(book.terms, terms, 'terms')

export const imageOf = ({ image }: Pick<MachineOrder, 'image'>, { images }: PriceBook): Image =>
  byId(images, image, 'image')

export const kindOf = ({ kind }: Pick<Disk, 'kind'>, { diskKinds }: PriceBook): DiskKind =>
  byId(diskKinds, kind, 'disk kind')

export const pricesOf = ({ region }: Pick<MachineOrder, 'region'>, { prices }: PriceBook) =>
  found(ownValue(prices, region), 'region', region)

export const disksOf = ({
  systemDisk,
  dataDisks,
}: Pick<MachineOrder, 'systemDisk' | 'dataDisks'>): readonly Disk[] => [systemDisk, ...dataDisks]

/** GiB that are charged for a disk. */
export function chargedRoom(disk: Disk, order: MachineOrder, book: PriceBook): number {
  const { room } = kindOf(disk, book)
  if (room.by === 'size') return sizeOf(order, book).localDiskGiB ?? 0
  if (room.by === 'gib') return disk.roomGiB
  return found(
    room.stepsGiB.find((step) => step >= disk.roomGiB),
    'disk room',
    String(disk.roomGiB),
  )
}

/** GiB that are in use on the disk at this place. */
export function usedRoom(order: MachineOrder, place: number, book: PriceBook): number {
  const disk = disksOf(order)[place]!
  return disk.snapshots?.usedGiB ?? (place === 0 ? imageOf(order, book).usedGiB : undefined) ?? disk.roomGiB
}

/** Where a provider does not sell it, deleting still leaves what does not go with the machine. */
const GONE: StateRow = {
  compute: false,
  licence: false,
  disks: false,
  address: 'unattached',
  memoryImage: false,
}

export const rowOf = (state: PowerState, { states }: PriceBook): StateRow =>
  found(states[state] ?? (state === 'deleted' ? GONE : undefined), 'state', state)
