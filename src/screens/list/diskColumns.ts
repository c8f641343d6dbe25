import { diskIops, diskThroughput } from '../../core/catalogue/diskPerformance.ts'
import { chargedRoom } from '../../core/catalogue/diskRates.ts'
import type { DiskKind } from '../../core/catalogue/priceBook.ts'
import type { Notch, PlatesInputs } from '../../core/notches/plate.ts'
import type { ShownColumn } from './listColumns.ts'
import { formatNumber } from '../../wording/number'

/** What each kind gives at the room that is asked for. */
export function diskColumns({ resolved }: PlatesInputs): ShownColumn[] {
  const { index, machine, size } = resolved
  const kindOf = ({ choice }: Notch): DiskKind => {
    if (choice.decision !== 'disk-kind') throw new RangeError('not a kind of disk')
    return index.diskKinds.get(choice.kind)!
  }
  const asked = machine.systemDisk.roomGiB
  const figure = (
    id: string,
    head: string,
    width: number,
    value: (kind: DiskKind, room: number) => number | undefined,
  ): ShownColumn => {
    const valueOf = (notch: Notch): number | undefined => {
      const kind = kindOf(notch)
      return value(kind, chargedRoom(kind, asked, size) ?? asked)
    }
    return {
      id,
      head,
      width,
      kind: 'number',
      valueOf,
      textOf: (notch) => {
        const found = valueOf(notch)
        return found === undefined ? '' : formatNumber(found, 0)
      },
    }
  }
  const text = (id: string, head: string, width: number, value: (kind: DiskKind) => string): ShownColumn => {
    const textOf = (notch: Notch): string => value(kindOf(notch))
    return { id, head, width, kind: 'text', valueOf: textOf, textOf }
  }
  return [
    figure('room', 'GiB charged', 84, (_, room) => room),
    figure('iops', 'IOPS', 66, (kind, room) => diskIops(kind, room)),
    figure('throughput', 'MB/s', 60, (kind, room) => diskThroughput(kind, room)),
    figure('most', 'most GiB', 76, ({ room }) =>
      room.by === 'gib' ? room.mostGiB : room.by === 'step' ? room.stepsGiB.at(-1) : undefined,
    ),
    figure('bought', 'IOPS on top', 82, ({ iops }) => iops?.boughtMost),
    text('boots', 'boots', 50, ({ boots }) => (boots ? 'yes' : 'no')),
    text('sold', 'sold', 90, ({ room }) =>
      room.by === 'gib' ? 'by the GiB' : room.by === 'step' ? 'by steps' : 'with the size',
    ),
    text('kind', 'kind', 200, ({ about }) => about ?? ''),
  ]
}
