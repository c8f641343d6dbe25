import type { ShrunkDisk } from '../core/machine/heldBy.ts'
import type { Loss } from '../core/wholePlan/losses.ts'
import { diskName } from './charge'
import { KEEP_LABELS } from './needs'
import { formatDuration } from './time'
import { formatNumber } from './number'

const ADDRESSES = {
  none: 'no public address',
  changing: 'an address that changes',
  fixed: 'a fixed address',
} as const

/** What is given up, in a few words: `2 vCPU in place of 4`. */
function lossText(loss: Loss): string {
  switch (loss.kind) {
    case 'vcpu':
      return `${loss.to} vCPU in place of ${loss.from}`
    case 'memory':
      return `${formatNumber(loss.to)} GiB of memory in place of ${formatNumber(loss.from)}`
    case 'room':
      return roomText(loss)
    case 'data':
      return 'loses what is on its data disks when off'
    case 'iops':
      return `${formatNumber(loss.to)} IOPS in place of ${formatNumber(loss.from)}`
    case 'throughput':
      return `${formatNumber(loss.to)} MB/s in place of ${formatNumber(loss.from)}`
    case 'when-off':
      return `loses ${KEEP_LABELS[loss.what]} when off`
    case 'return':
      return `back in ${formatDuration(loss.to)}${loss.from > 0 ? ` in place of ${formatDuration(loss.from)}` : ''}`
    case 'interrupted':
      return `may be taken away at any time: ${loss.how}`
    case 'bound':
      return `bound for ${loss.months} months`
    case 'own-licence':
      return 'needs a licence of your own'
    case 'address':
      return `${ADDRESSES[loss.to]} in place of ${ADDRESSES[loss.from]}`
    case 'snapshots':
      return 'fewer snapshots to go back to'
    case 'shared-core':
      return 'shared cores'
    case 'architecture':
      return `software built for ${loss.to}`
    case 'moves':
      return `moves from ${loss.from} to ${loss.to}${loss.leaves ? `, out of ${loss.leaves}` : ''}${loss.copiesGiB > 0 ? `, with ${formatNumber(loss.copiesGiB)} GiB of disks to copy` : ''}`
  }
}

/** The work that a smaller disk means. */
export const roomText = ({ position, from, to }: ShrunkDisk): string =>
  to === 0
    ? `${diskName(position).toLowerCase()} gone, with what is on its ${formatNumber(from)} GiB`
    : `copy ${position === 0 ? 'the ' : ''}${diskName(position).toLowerCase()} (${formatNumber(from)} GiB) to a new one of ${formatNumber(to)} GiB`

export const lossesText = (losses: readonly Loss[]): string =>
  losses.length === 0 ? 'nothing is lost' : losses.map(lossText).join('; ')
