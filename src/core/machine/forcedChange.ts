import type { BookIndex } from '../catalogue/bookIndex.ts'
import { offPlanKey, offPlanOf, type OffPlan } from '../off/offPlan.ts'
import type { GiB } from '../quantity/units.ts'
import { chosenSize } from './chosenSize.ts'
import type { Machine } from './plan.ts'

/** One thing that had to change, by the names of the price books. */
export type ForcedChange =
  | {
      readonly field: 'region' | 'zone' | 'image' | 'terms' | 'size'
      readonly from: string
      readonly to: string
    }
  /** Position 0 is the system disk. */
  | { readonly field: 'disk'; readonly position: number; readonly from: string; readonly to: string }
  /** Room asked for, where the kind does not bring its own. */
  | { readonly field: 'room'; readonly position: number; readonly from: GiB; readonly to: GiB }
  | { readonly field: 'off'; readonly from: OffPlan; readonly to: OffPlan }

type NamedField = 'region' | 'zone' | 'image' | 'terms' | 'disk'

/**
 * What differs between two machines beside what was asked for. Names are looked up in `before`, the book that the first
 * machine stands in, where it is another one.
 */
export function changesBetween(
  from: Machine,
  to: Machine,
  index: BookIndex,
  before: BookIndex = index,
): ForcedChange[] {
  const changes: ForcedChange[] = []
  for (const field of ['region', 'zone', 'image', 'terms'] as const) {
    if (from[field] === to[field]) continue
    changes.push({ field, from: nameIn(before, field, from[field]), to: nameIn(index, field, to[field]) })
  }
  const [size, nextSize] = [sizeName(before, from), sizeName(index, to)]
  if (from.size !== to.size || size !== nextSize) changes.push({ field: 'size', from: size, to: nextSize })
  const disks = [from.systemDisk, ...from.dataDisks]
  ;[to.systemDisk, ...to.dataDisks].forEach(({ kind, roomGiB }, position) => {
    const was = disks[position]
    if (was === undefined) return
    if (was.kind !== kind) {
      changes.push({
        field: 'disk',
        position,
        from: nameIn(before, 'disk', was.kind),
        to: nameIn(index, 'disk', kind),
      })
    }
    if (was.roomGiB !== roomGiB && index.diskKinds.get(kind)?.room.by !== 'size')
      changes.push({ field: 'room', position, from: was.roomGiB, to: roomGiB })
  })
  if (offPlanKey(from) !== offPlanKey(to))
    changes.push({ field: 'off', from: offPlanOf(from), to: offPlanOf(to) })
  return changes
}

/** With the vCPU and memory that were chosen, where the size leaves them to choose. */
function sizeName({ sizes }: BookIndex, { size: id, chosen }: Machine): string {
  const size = sizes.get(id)
  return size ? chosenSize(size, chosen).name : id
}

function nameIn(index: BookIndex, field: NamedField, id: string): string {
  switch (field) {
    case 'region':
      return index.regions.get(id)?.region.name ?? id
    case 'image':
      return index.images.get(id)?.name ?? id
    case 'terms':
      return index.terms.get(id)?.name ?? id
    case 'disk':
      return index.diskKinds.get(id)?.name ?? id
    case 'zone':
      return id
  }
}
