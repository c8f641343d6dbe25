import { diskReach, type Reach } from '../../core/fit/diskReach.ts'
import { resolvedWith } from '../../core/notches/choiceFigures.ts'
import type { Notch, PlatesInputs } from '../../core/notches/plate.ts'
import { formatNumber } from '../../wording/number'
import type { ShownColumn } from './listColumns.ts'

/** What a disk gives at each room, as much of it as the machine lets through. */
export function roomColumns(inputs: PlatesInputs, position: number): ShownColumn[] {
  // A choice that takes the disk away leaves another one in its place.
  const reachOf = (notch: Notch) =>
    'disk' in notch.choice && !notch.choice.disk
      ? undefined
      : diskReach(resolvedWith(inputs, notch)).disks[position]
  const column = (
    id: string,
    head: string,
    valueOf: (notch: Notch) => number | undefined,
    width = 76,
  ): ShownColumn => ({
    id,
    head,
    width,
    kind: 'number',
    valueOf,
    textOf: (notch) => {
      const found = valueOf(notch)
      return found === undefined ? '' : formatNumber(found, 0)
    },
  })
  const limit = (id: string, head: string, of: (notch: Notch) => Reach | undefined): ShownColumn => {
    const textOf = (notch: Notch): string => LIMITS[of(notch)?.limit ?? 'not-known']
    return { id, head, width: 96, kind: 'text', valueOf: textOf, textOf }
  }
  return [
    column('room', 'GiB charged', (notch) => reachOf(notch)?.chargedGiB, 84),
    column('iops', 'IOPS', (notch) => reachOf(notch)?.iops.reached),
    limit('iops-by', 'limited by', (notch) => reachOf(notch)?.iops),
    column('throughput', 'MB/s', (notch) => reachOf(notch)?.throughput.reached),
    limit('throughput-by', 'limited by', (notch) => reachOf(notch)?.throughput),
  ]
}

const LIMITS = {
  room: 'its room',
  kind: 'its kind',
  size: 'the machine',
  'not-known': '',
} as const satisfies Record<Reach['limit'], string>
