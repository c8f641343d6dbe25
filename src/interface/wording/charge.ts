import type { Charge, ChargeSubject, Meter, Waiver } from '../../core/meter/charge.ts'
import type { SizeRateBase } from '../../core/catalogue/sizeRates.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { formatDuration, formatHours } from './time'
import { groupDigits } from './money'

const ADDRESS_USE = { attachedOn: 'while on', attachedOff: 'while off', unattached: 'unattached' } as const

export const METER_NAMES = {
  compute: 'Machine time',
  commitment: 'Commitment',
  licence: 'Licences',
  disk: 'Disks',
  snapshot: 'Snapshots',
  address: 'Public address',
  'memory-image': 'Memory kept on disk',
  traffic: 'Traffic out',
  restore: 'Restoring',
} as const satisfies Record<Meter, string>

const BASE_NAMES = {
  machine: '',
  vcpu: ', vCPU',
  core: ', cores',
  memory: ', memory',
} as const satisfies Record<SizeRateBase, string>

export const diskName = (position: number): string =>
  position === 0 ? 'System disk' : `Data disk ${position}`

/** What a line is for. */
export function chargeTitle({ meter, subject, waived, band }: Charge): string {
  const title = subjectTitle(meter, subject)
  const free = waived && WAIVED_TITLE[waived.by]
  const part = band && band.count > 1 ? `, band ${band.at + 1} of ${band.count}` : ''
  return `${title}${part}${free ? `, ${free}` : ''}`
}

const WAIVED_TITLE = {
  allowance: 'free allowance',
  cap: 'beyond the cap',
  'own-licence': 'own licence',
  included: 'included',
} as const satisfies Record<Waiver['by'], string>

function subjectTitle(meter: Meter, subject: ChargeSubject): string {
  switch (subject.of) {
    case 'size':
      return `${METER_NAMES[meter]}${BASE_NAMES[subject.base]}`
    case 'up-front':
      return 'Commitment, share of what is paid up front'
    case 'licence':
      return subject.name
    case 'disk':
      return diskName(subject.position)
    case 'disk-iops':
      return `${diskName(subject.position)}, IOPS on top`
    case 'disk-throughput':
      return `${diskName(subject.position)}, MB/s on top`
    case 'disk-operations':
      return `${diskName(subject.position)}, operations`
    case 'snapshots':
      return `${diskName(subject.position)}, snapshots`
    case 'address':
      return `Public address, ${ADDRESS_USE[subject.use]}`
    case 'memory':
      return 'Memory kept on disk'
    case 'traffic':
      return 'Traffic out'
    case 'restore':
      return 'Restored from snapshots'
  }
}

const count = (value: number): string => groupDigits(String(Math.round(value * 1_000) / 1_000))

/** Seconds that the charge counts; with a threshold inside a second, a part of it. */
const chargedSeconds = ({ pieces, ticksPerSecond }: Charge): number =>
  ticksPerSecond === 0 ? 0 : pieces.ticks / ticksPerSecond

/** How much of it, in a few words. */
export function chargeDetail(charge: Charge): string {
  const { subject, rate, units } = charge
  const hours = formatHours(chargedSeconds(charge))
  switch (subject.of) {
    case 'size': {
      const times =
        subject.base === 'machine' ? '' : ` × ${count(toNumber(units))} ${UNIT_NAMES[subject.base]}`
      return `${hours}${times} at ${rate.text}${rate.per === 'month' ? ' a month' : ''}`
    }
    case 'up-front':
      return `one of ${subject.months} months of ${rate.text}`
    case 'licence':
      return `${hours} × ${subject.vcpu} vCPU at ${rate.text}`
    case 'disk': {
      const room = `${groupDigits(String(subject.askedGiB))} GiB ${subject.name}`
      const step = subject.byStep && subject.chargedGiB !== subject.askedGiB
      const whole = charge.pieces.ticks === charge.ticksPerPeriod
      return `${room}${step ? `, step of ${groupDigits(String(subject.chargedGiB))}` : ''}${whole ? ', all month' : `, ${hours}`}`
    }
    case 'disk-iops':
      return `${count(subject.bought)} IOPS at ${rate.text}`
    case 'disk-throughput':
      return `${count(subject.bought)} MB/s at ${rate.text}`
    case 'disk-operations':
      return `${count(subject.bought)} at ${rate.text} for 10,000`
    case 'snapshots':
      return `${subject.kept} kept, ${count(toNumber(units))} GiB at ${rate.text}`
    case 'address':
      return `${subject.sort}, ${hours} at ${rate.text}`
    case 'memory':
      return `${subject.memoryGiB} GiB, ${hours}`
    case 'traffic':
      return `${count(toNumber(units))} GiB at ${rate.text}`
    case 'restore':
      return `${subject.restoredGiB} GiB, ${subject.times} times at ${rate.text}`
  }
}

export const UNIT_NAMES = {
  machine: '',
  vcpu: 'vCPU',
  core: 'cores',
  memory: 'GiB',
} as const satisfies Record<SizeRateBase, string>

/** How the provider's minimum and increment took part, where they apply to the line. */
export function chargeRounding({ rounding }: Charge): string | undefined {
  if (!rounding) return undefined
  const { runs, added, minimumSeconds, incrementSeconds, trueTime } = rounding
  const rule = `${minimumSeconds} s at the least, then by ${incrementSeconds === 1 ? 'the second' : `${groupDigits(String(incrementSeconds))} s`}`
  const what = added > 0 ? `rounding added ${formatDuration(added)}` : 'nothing added by rounding'
  return `${runs} ${runs === 1 ? 'run' : 'runs'}, ${formatDuration(trueTime)} in all; ${rule}: ${what}`
}
