import { offeredRooms } from '../catalogue/diskRates.ts'
import { onKind } from '../machine/onKind.ts'
import type { GiB } from '../quantity/units.ts'
import type { DecisionRules } from './decisionRules.ts'

export const DISK_KIND_DECISION: DecisionRules<{ readonly kind: string }> = {
  choices: ({ index }) => index.book.diskKinds.map(({ id }) => ({ kind: id })),
  present: ({ machine }) => ({ kind: machine.systemDisk.kind }),
  apply: (machine, { kind }) => ({ ...machine, systemDisk: onKind(machine.systemDisk, kind) }),
  resolve: ({ index }, { systemDisk }) => ({ systemKind: index.diskKinds.get(systemDisk.kind)! }),
  key: ({ kind }) => kind,
}

export const DISK_ROOM_DECISION: DecisionRules<{ readonly roomGiB: GiB }> = {
  choices: ({ systemKind, machine }) =>
    [...new Set(offeredRooms(systemKind)).add(machine.systemDisk.roomGiB)].map((roomGiB) => ({ roomGiB })),
  present: ({ machine }) => ({ roomGiB: machine.systemDisk.roomGiB }),
  apply: (machine, { roomGiB }) => ({ ...machine, systemDisk: { ...machine.systemDisk, roomGiB } }),
  key: ({ roomGiB }) => String(roomGiB),
}
