import { IMAGE_NEED_NAMES } from './needs.ts'
import type { FitReason } from '../core/fit/fitReason.ts'
import type { Keep } from '../core/machine/needs.ts'
import { roomText } from './loss'
import { STATE_NAMES } from './state'
import { formatNumber } from './number'

/** Names beyond these are counted. */
const MOST_LISTED = 8

const listed = (names: readonly string[]): string =>
  names.length > MOST_LISTED
    ? `${names.slice(0, MOST_LISTED).join(', ')} and ${names.length - MOST_LISTED} more`
    : names.length > 1
      ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`
      : (names[0] ?? '')

const standing = (names: readonly string[]): string => (names.length === 1 ? 'stands' : 'stand')

const asks = (by: 'needs' | 'image'): string => (by === 'image' ? 'the image needs' : 'you need')

const KEEP_NAMES = {
  memory: 'memory',
  address: 'the address',
  'local-disk': 'the local disk',
  hardware: 'the hardware',
} as const satisfies Record<Keep, string>

const stepsText = ({ least, most, step }: { least: number; most: number; step: number }): string =>
  `${least} to ${most}${step === 1 ? '' : ` by ${step}`}`

/** Why a choice is closed, in a few words with its figures. */
function reasonText(reason: FitReason): string {
  switch (reason.code) {
    case 'too-few-vcpu':
      return `${reason.has} vCPU, ${asks(reason.by)} ${reason.needs}`
    case 'too-little-memory':
      return `${reason.has} GiB of memory, ${asks(reason.by)} ${reason.needs}`
    case 'too-few-iops':
      return reason.limit === 'size'
        ? `the size allows ${formatNumber(reason.has)} IOPS, you need ${formatNumber(reason.needs)}`
        : `the disks give ${formatNumber(reason.has)} IOPS, you need ${formatNumber(reason.needs)}`
    case 'not-for-account':
      return `${reason.provider} does not sell ${reason.size} to your account`
    case 'over-account':
      return `${formatNumber(reason.has)} vCPU, your account at ${reason.provider} may have ${formatNumber(reason.most)} there`
    case 'not-sold-here':
      return reason.soldIn.length === 0
        ? `${reason.size} is not sold in this region`
        : `${reason.size} is sold in ${reason.soldIn.length === 1 ? 'zone' : 'zones'} ${listed(reason.soldIn)} only`
    case 'disk-kind-not-carried':
      return `${reason.size} cannot carry ${reason.kind}, only ${listed(reason.carries)}`
    case 'disk-kind-not-sold-here':
      return `${reason.kind} is not sold in ${reason.place}`
    case 'disk-kind-does-not-boot':
      return `${reason.kind} cannot hold a system`
    case 'too-many-disks':
      return `carries ${reason.most} disks, this machine has ${reason.has}`
    case 'room-not-offered':
      return `${reason.kind} has no disk of ${reason.asked} GiB, ${formatNumber(reason.most)} at most`
    case 'address-not-sold-here':
      return `no ${reason.sort} public address is sold in ${reason.place}`
    case 'snapshots-not-sold-here':
      return `no snapshots are sold in ${reason.place}`
    case 'traffic-not-sold-here':
      return `traffic out of ${reason.place} has no price`
    case 'licence-not-sold-here':
      return `${reason.image} is not sold with ${reason.size} in ${reason.place}`
    case 'image-not-wanted':
      return `${reason.image} is not ${IMAGE_NEED_NAMES[reason.needs]}`
    case 'architecture-not-wanted':
      return `is ${reason.has}, you need ${reason.needs}`
    case 'too-few-accelerators':
      return `${formatNumber(reason.has)} accelerators, you need ${formatNumber(reason.needs)}`
    case 'too-little-throughput':
      return reason.limit === 'size'
        ? `the size allows ${formatNumber(reason.has)} MB/s, you need ${formatNumber(reason.needs)}`
        : `the disks give ${formatNumber(reason.has)} MB/s, you need ${formatNumber(reason.needs)}`
    case 'too-little-disk':
      return `${formatNumber(reason.has)} GiB on all disks, you need ${formatNumber(reason.needs)}`
    case 'jurisdiction-not-allowed':
      return `${reason.place} is in ${reason.has}, you allow ${listed(reason.allowed)}`
    case 'too-far':
      return `${formatNumber(reason.milliseconds)} ms ${reason.isMeasured ? 'measured' : 'estimated'} from ${reason.from} and back, you allow ${formatNumber(reason.most)}`
    case 'shares-zone':
      return `${listed(reason.with)} ${standing(reason.with)} in zone ${reason.zone} of ${reason.place}, “${reason.group}” allows ${formatNumber(reason.most)} together`
    case 'shares-fault-domain':
      return `${listed(reason.with)} ${standing(reason.with)} in zone ${reason.zone} of ${reason.place}, “${reason.group}” allows ${formatNumber(reason.most)} in each of its fault domains`
    case 'shares-region':
      return `${listed(reason.with)} of “${reason.group}” ${standing(reason.with)} in ${reason.place}, with which it shares nothing`
    case 'not-kept':
      return `${STATE_NAMES[reason.state].toLowerCase()} does not keep ${KEEP_NAMES[reason.what]}`
    case 'taken-away':
      return `${reason.terms} may be taken away at any time (${reason.interruption})`
    case 'disk-smaller':
      return roomText({ position: reason.position, from: reason.needs, to: reason.has })
    case 'data-lost':
      return `${STATE_NAMES[reason.state].toLowerCase()} loses what is on its data disks`
    case 'back-too-late':
      return `takes ${formatNumber(reason.seconds)} s from ${STATE_NAMES[reason.state].toLowerCase()} to running, you allow ${formatNumber(reason.most)}`
    case 'no-exchange-rate':
      return `there is no rate from ${reason.from} to ${reason.to}; enter one under Plan`
    case 'nothing-fits-there':
      return `${reason.provider} sells nothing in ${reason.place} that has ${formatNumber(reason.vcpu)} vCPU, ${formatNumber(reason.memoryGiB)} GiB, ${formatNumber(reason.iops)} IOPS and all else you need`
    case 'image-not-offered':
      return `${reason.image} is not sold by ${reason.provider}`
    case 'wrong-architecture':
      return `is ${reason.has}, ${reason.image} is made for ${listed(reason.needs)}`
    case 'image-too-large':
      return `${reason.has} GiB, ${reason.image} needs ${reason.needs}`
    case 'state-not-offered':
      return `${reason.provider} has no such state`
    case 'no-hibernation':
      return `${reason.name} cannot hibernate`
    case 'not-sold-on-terms':
      return `${reason.size} is not sold on the terms “${reason.terms}” in ${reason.place}`
    case 'no-own-disk':
      return `${reason.size} has no disk of its own`
    case 'own-disk-lost':
      return `what ${reason.kind} holds is lost when the hardware is given back`
    case 'nothing-to-restore':
      return 'the system disk goes with the machine and no snapshot of it is kept'
    case 'iops-not-sold':
      return reason.most === 0
        ? `${reason.kind} sells no IOPS on top`
        : `${reason.kind} sells ${formatNumber(reason.most)} IOPS on top at the most, you ask for ${formatNumber(reason.asked)}`
    case 'outside-choice':
      return `${reason.size} has ${stepsText(reason.vcpu)} vCPU and ${stepsText(reason.memoryGiB)} GiB`
    case 'over-hibernation-limit':
      return `${reason.memory} GiB of memory, at most ${reason.most} can hibernate`
    case 'no-room-for-memory':
      return `${reason.room} GiB disk has no room for ${reason.memory} GiB of memory beside ${reason.used} in use`
  }
}

export const reasonsText = (reasons: readonly FitReason[]): string => reasons.map(reasonText).join('; ')
