import { indexBook, zonesSelling } from '../catalogue/bookIndex.ts'
import { sizesByPrice } from '../catalogue/sizeRates.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import type { Machine } from './plan.ts'

const START_NEEDS = { vcpu: 2, memoryGiB: gib(4), iops: 0 }
const START_ROOM = gib(64)

/**
 * A machine to start from: in the book's first place, the first image, the cheapest size that has two vCPU and 4 GiB
 * and can run it, and a disk kind that the size carries. Undefined where the book sells nothing of the sort there.
 */
export function newMachine(book: PriceBook, name: string, weekId: string): Machine | undefined {
  const index = indexBook(book)
  const image = book.images[0]
  const terms = book.terms.find(({ kind }) => kind === 'on-demand') ?? book.terms[0]
  const region = [...index.regions.values()][0]
  if (!image || !terms || !region) return undefined
  const zone = region.region.zones[0]!
  const size = sizesByPrice(region, book.sizes, terms).find(
    (each) =>
      each.vcpu >= Math.max(START_NEEDS.vcpu, image.least.vcpu) &&
      each.memoryGiB >= Math.max(START_NEEDS.memoryGiB, image.least.memoryGiB) &&
      image.architectures.includes(each.architecture) &&
      zonesSelling(region, each.id).includes(zone),
  )
  const kind = book.diskKinds.find(
    ({ id, boots, room }) =>
      boots &&
      size?.diskKinds.includes(id) &&
      (room.by === 'size' ? size.localDiskGiB !== undefined : region.prices.disks[id] !== undefined),
  )
  if (!size || !kind) return undefined
  const room = kind.room.by === 'size' ? size.localDiskGiB! : START_ROOM
  return {
    name,
    purpose: '',
    needs: START_NEEDS,
    provider: book.provider.id,
    region: region.region.id,
    zone,
    size: size.id,
    image: image.id,
    terms: terms.id,
    systemDisk: { kind: kind.id, roomGiB: room },
    dataDisks: [],
    address: 'none',
    week: weekId,
    off: book.states.deallocated ? 'deallocated' : book.states.stopped ? 'stopped' : 'running',
  }
}
