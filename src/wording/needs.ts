import type { HeldNeed, NeedId } from '../core/fit/needId.ts'
import type { Held } from '../core/machine/held.ts'
import type { ImageNeed } from '../core/machine/imageNeed.ts'
import type { Keep, Needs } from '../core/machine/needs.ts'
import { formatNumber } from './number'

export const KEEP_LABELS = {
  memory: 'its memory',
  address: 'its address',
  'local-disk': 'its local disk',
  hardware: 'its hardware',
} as const satisfies Record<Keep, string>

export const IMAGE_NEED_NAMES = {
  'any-linux': 'any Linux',
  'licensed-desktop': 'a licensed desktop',
  any: 'any image',
} as const satisfies Record<ImageNeed, string>

/** A need in a few words: `in EU`, `60 ms at most from Lisbon`. */
export function needText(id: NeedId, needs: Needs, held?: Held): string {
  switch (id) {
    case 'vcpu':
      return `${formatNumber(needs.vcpu)} vCPU`
    case 'memory':
      return `${formatNumber(needs.memoryGiB)} GiB of memory`
    case 'iops':
      return `${formatNumber(needs.iops)} IOPS`
    case 'throughput':
      return `${formatNumber(needs.megabytesPerSecond ?? 0)} MB/s`
    case 'disk':
      return `${formatNumber(needs.diskGiB ?? 0)} GiB of disk`
    case 'accelerators':
      return needs.accelerators === 1
        ? '1 accelerator'
        : `${formatNumber(needs.accelerators ?? 0)} accelerators`
    case 'image':
      return needs.image ? IMAGE_NEED_NAMES[needs.image] : ''
    case 'architecture':
      return needs.architecture ?? held?.architecture ?? 'its architecture'
    case 'disk-rooms':
      return 'disks as they are'
    case 'interruption':
      return 'not to be taken away'
    case 'data':
      return 'data kept when off'
    case 'jurisdictions':
      return `in ${(needs.jurisdictions ?? []).join(' or ')}`
    case 'round-trip':
      return `${formatNumber(needs.roundTripMs ?? 0)} ms from ${(needs.usedFrom ?? []).join(' and ')}`
    case 'apart':
      return `kept apart in “${needs.apart?.group ?? ''}”${needs.apart?.sharesNothing ? ', sharing nothing' : ''}`
    case 'back-within':
      return `back within ${formatNumber(needs.backWithinSeconds ?? 0)} s`
    case 'keep-hardware':
      return 'sure to get hardware again'
    case 'keep-memory':
    case 'keep-address':
    case 'keep-local-disk':
      return `keeps ${KEEP_LABELS[id.slice('keep-'.length) as Keep]}`
  }
}

/** What may go once a person has let it. */
export const EASED_TEXTS = {
  'disk-rooms': 'disks may shrink',
  architecture: 'any architecture',
  interruption: 'may be taken away',
  data: 'data may go when off',
} as const satisfies Record<HeldNeed, string>

/** What a machine has now, by name. */
export const HELD_LABELS = {
  'disk-rooms': 'the size of its disks',
  architecture: 'its architecture',
  interruption: 'not taken away',
  data: 'its data when off',
} as const satisfies Record<HeldNeed, string>
