import { leastOf } from '../catalogue/notKnown.ts'
import { diskRate } from '../catalogue/diskRates.ts'
import { diskReach, type Reach } from '../fit/diskReach.ts'
import { applyChoice, resolveChoice } from '../decisions/choice.ts'
import { disksOf } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { statesWhenOff } from '../machine/whenOff.ts'
import { negate, subtract } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import type { Finding, WatchInputs, WatchRule } from './finding.ts'
import { mendBy, saves } from './mendBy.ts'

/** Asked for at most so much above a step, as a share of it. */
const JUST_ABOVE = 1.1

/** Room a little above a step, for which the whole next step is charged. */
const justAboveStep: WatchRule = (inputs) =>
  disksOf(inputs.resolved).flatMap((each): Finding[] => {
    const { disk, kind, position } = each
    if (kind.room.by !== 'step') return []
    const below = [...kind.room.stepsGiB].reverse().find((step) => step < disk.roomGiB)
    const charged = diskRate(inputs.resolved.region, kind, disk.roomGiB)?.chargedGiB
    if (below === undefined || charged === undefined) return []
    // What is exactly a step was meant.
    if (charged === disk.roomGiB || disk.roomGiB > below * JUST_ABOVE) return []
    const mend = withRoom(inputs, position, below)
    return [
      {
        key: `just-above-step/${position}`,
        severity: 'warning',
        facts: { code: 'just-above-step', position, asked: disk.roomGiB, charged, below },
        stake: mend?.difference && negate(mend.difference),
        mend,
      },
    ]
  })

function withRoom(inputs: WatchInputs, position: number, roomGiB: ReturnType<typeof gib>): Finding['mend'] {
  const { resolved, month, shared, estimate } = inputs
  const { kind } = disksOf(resolved)[position]!.disk
  const choice =
    position === 0
      ? ({ decision: 'disk-room', roomGiB } as const)
      : ({ decision: 'data-disk', position, disk: { kind, roomGiB } } as const)
  const changed = resolveChoice(resolved, choice)
  const total = machineTotal(changed, month, shared)
  if (!total || fitReasons(changed, choice.decision, position).length > 0) return undefined
  return {
    machine: applyChoice(resolved.machine, choice),
    choice,
    difference: subtract(total, estimate.total),
  }
}

/** So many times what is needed is worth a line. */
const MUCH_MORE = 2

/** More room than the image, and the memory that is written to it, can use. */
const moreRoomThanNeeded: WatchRule = (inputs) => {
  const { resolved } = inputs
  const { machine, image, systemKind, size } = resolved
  // Without knowing what the image takes, nobody can say what is more than it needs.
  if (systemKind.room.by === 'size' || image.usedGiB === undefined) return []
  // What was asked for, and not the step that is charged for it.
  const room = machine.systemDisk.roomGiB
  const memory = statesWhenOff(resolved).includes('hibernated') ? size.memoryGiB : 0
  const needed = gib(Math.max(leastOf(image).diskGiB, image.usedGiB + memory))
  if (room < needed * MUCH_MORE) return []
  const mend = mendBy(inputs, 'disk-room', saves)
  if (!mend?.difference) return []
  return [
    {
      key: 'more-room-than-needed',
      severity: 'note',
      facts: { code: 'more-room-than-needed', room, needed },
      stake: negate(mend.difference),
      mend,
    },
  ]
}

/** So much more than the size passes is worth a line. */
const WASTED = 1.25

/** Disks that could give more than the size passes. */
const throttled: WatchRule = (inputs) => {
  const { size } = inputs.resolved
  const reach = diskReach(inputs.resolved)
  return (['iops', 'throughput'] as const).flatMap((figure): Finding[] => {
    const { given, reached }: Reach = reach[figure]
    if (given === undefined || reached === undefined || given < reached * WASTED) return []
    const mend = mendBy(inputs, 'disk-kind', saves)
    return [
      {
        key: `throttled/${figure}`,
        severity: mend ? 'warning' : 'note',
        facts: { code: 'throttled', figure, given, reached, size: size.name },
        stake: mend?.difference && negate(mend.difference),
        mend,
      },
    ]
  })
}

export const DISK_RULES: readonly WatchRule[] = [justAboveStep, moreRoomThanNeeded, throttled]
