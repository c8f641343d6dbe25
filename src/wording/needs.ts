import type { NeedId } from '../core/fit/needId.ts'
import type { ImageNeed } from '../core/machine/imageNeed.ts'
import type { Keep, Needs } from '../core/machine/needs.ts'
import { groupDigits } from './money'

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

const number = (value: number): string => groupDigits(String(value))

/** A need in a few words: `in EU`, `60 ms at most from Lisbon`. */
export function needText(id: NeedId, needs: Needs): string {
  switch (id) {
    case 'vcpu':
      return `${number(needs.vcpu)} vCPU`
    case 'memory':
      return `${number(needs.memoryGiB)} GiB of memory`
    case 'iops':
      return `${number(needs.iops)} IOPS`
    case 'throughput':
      return `${number(needs.megabytesPerSecond ?? 0)} MB/s`
    case 'disk':
      return `${number(needs.diskGiB ?? 0)} GiB of disk`
    case 'accelerators':
      return needs.accelerators === 1 ? '1 accelerator' : `${number(needs.accelerators ?? 0)} accelerators`
    case 'image':
      return needs.image ? IMAGE_NEED_NAMES[needs.image] : ''
    case 'architecture':
      return needs.architecture ?? ''
    case 'jurisdictions':
      return `in ${(needs.jurisdictions ?? []).join(' or ')}`
    case 'round-trip':
      return `${number(needs.roundTripMs ?? 0)} ms from ${(needs.usedFrom ?? []).join(' and ')}`
    case 'back-within':
      return `back within ${number(needs.backWithinSeconds ?? 0)} s`
    case 'keep-hardware':
      return 'sure to get hardware again'
    case 'keep-memory':
    case 'keep-address':
    case 'keep-local-disk':
      return `keeps ${KEEP_LABELS[id.slice('keep-'.length) as Keep]}`
  }
}
