import type { Charge, ChargeSubject, Meter, Waiver } from '../core/meter/charge.ts'
import type { SizeRateBase } from '../core/catalogue/sizeRates.ts'
import { MOST_DECIMALS, toDecimal, trimDecimal } from '../core/quantity/decimal.ts'
import { multiply, toNumber } from '../core/quantity/exact.ts'
import { SECONDS_PER_HOUR } from '../core/quantity/units.ts'
import { formatDuration } from './time'
import { formatExact } from './money'
import { formatNumber } from './number'

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
  minimum: 'Minimum of the month',
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
    case 'minimum':
      return 'Missing to the minimum of the month'
  }
}

/** To four places: what is multiplied must give the cents beside it. */
/** What is charged of the rate: itself, or its share in a band, with what it is a share of. */
function rateText({ rate, band }: Charge): string {
  const per = rate.per === 'month' ? ' a month' : rate.per === 'second' ? ' a second' : ''
  if (!band?.share || band.share.text === '1') return `${rate.text}${per}`
  const charged = trimDecimal(toDecimal(multiply(rate.value, band.share.value), MOST_DECIMALS))
  return `${charged}${per} (${formatNumber(Number(band.share.text) * 100, 3)} % of ${rate.text})`
}

/** Hours against a rate an hour; in the 730-hour reading as many of 730 as of the month's. */
function hoursText(charge: Charge): string {
  const { pieces, ticksPerPeriod, ticksPerSecond } = charge
  return `${formatNumber(pieces.ticks / ticksPerPeriod, 4)} h${ticksPerSecond === 1 ? '' : ' of 730'}`
}

/** The part of a month against a rate a month. */
function monthText({ pieces, ticksPerPeriod, ticksPerSecond }: Charge): string {
  if (pieces.ticks === ticksPerPeriod) return 'all month'
  const hours = (ticks: number): string => formatNumber(ticks / ticksPerSecond / SECONDS_PER_HOUR, 4)
  return `${hours(pieces.ticks)} of ${hours(ticksPerPeriod)} h`
}

/** Seconds against a rate a second. */
function secondsText({ pieces, ticksPerPeriod, ticksPerSecond }: Charge): string {
  return `${formatNumber(pieces.ticks / ticksPerPeriod, 4)} s${ticksPerSecond === 1 ? '' : ' of 730 h'}`
}

const timeText = (charge: Charge): string => {
  if (charge.rate.per === 'month') return monthText(charge)
  return charge.rate.per === 'second' ? secondsText(charge) : hoursText(charge)
}

/** How much of it, in a few words: what is multiplied, and at which rate. */
export function chargeDetail(charge: Charge): string {
  const { subject, units, waived } = charge
  const rate = rateText(charge)
  const free = waived ? ', not charged' : ''
  switch (subject.of) {
    case 'size': {
      const times =
        subject.base === 'machine' ? '' : ` × ${formatNumber(toNumber(units), 3)} ${UNIT_NAMES[subject.base]}`
      return `${timeText(charge)}${times} at ${rate}${free}`
    }
    case 'up-front':
      return `one of ${subject.months} months of ${rate}`
    case 'licence':
      return `${timeText(charge)}${subject.vcpu === undefined ? '' : ` × ${subject.vcpu} vCPU`} at ${rate}${free}`
    case 'disk': {
      const room = `${formatNumber(subject.askedGiB)} GiB ${subject.name}`
      const step = subject.byStep && subject.chargedGiB !== subject.askedGiB
      const sold = subject.byStep ? ' at' : ' ×'
      return `${room}${step ? `, step of ${formatNumber(subject.chargedGiB)}` : ''}${sold} ${rate}, ${monthText(charge)}${free}`
    }
    case 'disk-iops':
      return `${formatNumber(subject.bought, 3)} IOPS at ${rate}, ${monthText(charge)}`
    case 'disk-throughput':
      return `${formatNumber(subject.bought, 3)} MB/s at ${rate}, ${monthText(charge)}`
    case 'disk-operations':
      return `${formatNumber(subject.bought, 3)} at ${rate} for 10,000`
    case 'snapshots':
      return `${subject.kept} kept, ${formatNumber(toNumber(units), 4)} GiB at ${rate}, ${monthText(charge)}`
    case 'address':
      return `${subject.sort}, ${timeText(charge)} at ${rate}`
    case 'memory':
      return `${subject.memoryGiB} GiB at ${rate}, ${monthText(charge)}`
    case 'traffic':
      return `${formatNumber(toNumber(units), 4)} GiB at ${rate}${free}`
    case 'restore':
      return `${subject.restoredGiB} GiB, ${subject.times} times at ${rate}`
    case 'minimum':
      return `${rate} at the least, ${formatExact(subject.reached)} reached`
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
  const rule = `${minimumSeconds} s at the least, then by ${incrementSeconds === 1 ? 'the second' : `${formatNumber(incrementSeconds)} s`}`
  const what = added > 0 ? `rounding added ${formatDuration(added)}` : 'nothing added by rounding'
  return `${runs} ${runs === 1 ? 'run' : 'runs'}, ${formatDuration(trueTime)} in all; ${rule}: ${what}`
}
