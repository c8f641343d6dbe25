/** The decisions about one machine, in the order in which its plates stand. */
export const DECISIONS = [
  'size',
  'vcpu',
  'memory',
  'place',
  'terms',
  'image',
  'disk-kind',
  'disk-room',
  'data-disk',
  'new-disk',
  'snapshots',
  'address',
  'off',
  'week',
  'traffic',
] as const
export type Decision = (typeof DECISIONS)[number]

/** A plate's name within its machine: there is one for each data disk. */
export type PlateId = Exclude<Decision, 'data-disk'> | `data-disk-${number}`

/** Data disks count from 1. */
export const plateId = (decision: Decision, position = 1): PlateId =>
  decision === 'data-disk' ? `data-disk-${position}` : decision

const DATA_DISK = /^data-disk-[1-9]\d?$/

export const isPlateId = (text: string): text is PlateId =>
  text !== 'data-disk' && ((DECISIONS as readonly string[]).includes(text) || DATA_DISK.test(text))
