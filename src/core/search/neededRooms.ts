import type { BookIndex } from '../catalogue/bookIndex.ts'
import { diskIops, diskThroughput } from '../catalogue/diskPerformance.ts'
import { chargedRoom } from '../catalogue/diskRates.ts'
import { leastOf } from '../catalogue/notKnown.ts'
import type { DiskKind, PerformanceRule } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import { onKind } from '../machine/onKind.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { ownValue } from '../ownValue.ts'
import { statesWhenOff } from '../machine/whenOff.ts'
import { gib, type GiB } from '../quantity/units.ts'

/**
 * Rooms of the system disk among which the cheapest that fits is: the least that image, memory image and need ask for,
 * the least that gives the needed IOPS and throughput, its own, and larger steps that cost less than smaller ones. Else
 * more room is never cheaper, but for what it gives.
 */
export function neededRooms(resolved: ResolvedMachine, kind: DiskKind): GiB[] {
  const { machine, image, size } = resolved
  // What was bought on top of another kind does not come along.
  const { roomGiB: own, extraIops = 0, extraMegabytesPerSecond = 0 } = onKind(machine.systemDisk, kind.id)
  if (kind.room.by === 'size') return [own]
  const { needs } = machine
  const memory = statesWhenOff(resolved).includes('hibernated') ? size.memoryGiB : 0
  // What is not known counts as nothing beside, and asks for no room.
  const beside = (give: (kind: DiskKind, room: number) => number | undefined): number =>
    machine.dataDisks.reduce((sum, disk) => {
      const own = resolved.index.diskKinds.get(disk.kind)
      return own ? sum + (give(own, chargedRoom(own, disk.roomGiB, size) ?? disk.roomGiB) ?? 0) : sum
    }, 0)
  const least = Math.ceil(
    Math.max(
      1,
      kind.room.by === 'gib' ? kind.room.leastGiB : 0,
      leastOf(image).diskGiB,
      (image.usedGiB ?? 0) + memory,
      (needs.diskGiB ?? 0) - beside((_, room) => room),
      needs.disks === 'any' ? 0 : (resolved.held?.roomsGiB[0] ?? 0),
    ),
  )
  const forIops = roomFor(kind.iops, needs.iops - beside(diskIops) - extraIops)
  const forThroughput = roomFor(
    kind.megabytesPerSecond,
    (needs.megabytesPerSecond ?? 0) - beside(diskThroughput) - extraMegabytesPerSecond,
  )
  const enough = Math.max(least, forIops, forThroughput)
  // Its own first: of rooms that cost the same, nothing has to change.
  return [...new Set([own, enough, ...cheaperSteps(resolved.index)(kind)(enough)])].map(gib)
}

/** Steps of a kind from a room on that somewhere cost less than every smaller one that would do: seldom any. */
const cheaperSteps = keptFor(({ book }: BookIndex) =>
  keptFor(({ id, room }: DiskKind): ((enough: number) => readonly number[]) => {
    if (room.by !== 'step') return () => NO_STEPS
    const { stepsGiB } = room
    const listed = Object.values(book.prices).map(({ disks }) =>
      stepsGiB.map((step) => Number(ownValue(ownValue(disks, id)?.perMonthByStep, String(step)))),
    )
    const from = stepsGiB.map((_, first) =>
      stepsGiB.filter((__, at) => {
        const isCheapest = (prices: readonly number[]): boolean =>
          prices.slice(first, at).every((smaller) => prices[at]! < smaller)
        return at > first && listed.some(isCheapest)
      }),
    )
    return (enough) => from[stepsGiB.findIndex((step) => step >= enough)] ?? NO_STEPS
  }),
)

const NO_STEPS: readonly number[] = []

/** The least room in whole GiB that gives so much; 0 where none is needed, none would do or nobody knows. */
const roomFor = (rule: PerformanceRule | undefined, needed: number): number => {
  if (!rule) return 0
  const { base, perGiB, most } = rule
  return needed <= base || perGiB === 0 || needed > most ? 0 : Math.ceil((needed - base) / perGiB)
}
