import type { Charge, Waiver } from '../core/meter/charge.ts'
import { amountOf } from '../core/meter/makeCharge.ts'
import { toNumber } from '../core/quantity/exact.ts'
import { groupDigits, formatExact } from './money'
import { UNIT_NAMES } from './charge'
import { formatInstantIn } from './time'

const number = (value: number): string => groupDigits(String(Math.round(value * 1_000) / 1_000))

/** The arithmetic of a charge, or of some of its ticks, with every factor and its result. */
export function chargeArithmetic(charge: Charge, ticks = charge.pieces.ticks): string {
  const { waived } = charge
  const paid = { ...charge, waived: undefined }
  const full = amountOf(paid, ticks)
  const result = formatExact(full)
  const factors = [...quantityOf(charge, ticks), ...bandOf(charge)].join('')
  return waived ? `${factors} would be ${result}; nothing is charged` : `${factors} = ${result}`
}

function quantityOf(charge: Charge, ticks: number): string[] {
  const { rate, subject, units } = charge
  const share = ticks === charge.pieces.ticks ? '' : ` × ${number(ticks)} ÷ ${number(charge.pieces.ticks)}`
  switch (subject.of) {
    case 'up-front':
      return [`${rate.text} ÷ ${subject.months} months`, shareOfMonth(charge, ticks, subject.months)]
    case 'disk-operations':
      return [`${number(subject.bought)} operations ÷ 10,000 × ${rate.text}`, share]
    case 'restore':
      return [`${number(subject.restoredGiB)} GiB × ${number(ticks)} times × ${rate.text} a GiB`]
    case 'traffic':
      return [`${number(toNumber(units))} GiB × ${rate.text} a GiB`, share]
    case 'minimum':
      return [`${rate.text} a month at the least − ${formatExact(subject.reached)} of all else`, share]
    default:
      return rate.per === 'month'
        ? [`${rate.text} a month`, unitsOf(charge), shareOfMonth(charge, ticks, 1)]
        : [
            `${seconds(charge, ticks)}${printedMonth(charge)} × ${rate.text} ${rate.per === 'second' ? 'a second' : 'an hour'}`,
            unitsOf(charge),
            rate.per === 'second' ? '' : ' ÷ 3,600 s',
          ]
  }
}

const seconds = ({ ticksPerSecond }: Charge, ticks: number): string => `${number(ticks / ticksPerSecond)} s`

/** In the 730-hour reading an hourly rate is charged for the month's hours as if they were 730. */
function printedMonth({ ticksPerSecond, ticksPerPeriod, rate }: Charge): string {
  const period = rate.per === 'second' ? 1 : 3_600
  return ticksPerSecond === 1 ? '' : ` × 730 h ÷ ${number(ticksPerPeriod / period / 3_600)} h`
}

function shareOfMonth({ ticksPerPeriod, ticksPerSecond }: Charge, ticks: number, months: number): string {
  const whole = ticksPerPeriod / months
  if (ticks === whole) return ''
  return ` × ${number(ticks / ticksPerSecond)} s ÷ ${number(whole / ticksPerSecond)} s`
}

function unitsOf({ subject, units }: Charge): string {
  const value = toNumber(units)
  switch (subject.of) {
    case 'size':
      return subject.base === 'machine' ? '' : ` × ${number(value)} ${UNIT_NAMES[subject.base]}`
    case 'licence':
      return subject.vcpu === undefined ? '' : ` × ${number(value)} vCPU`
    case 'disk':
      return subject.byStep ? '' : ` × ${number(value)} GiB`
    case 'disk-iops':
      return ` × ${number(value)} IOPS`
    case 'disk-throughput':
      return ` × ${number(value)} MB/s`
    case 'snapshots':
    case 'memory':
      return ` × ${number(value)} GiB`
    default:
      return ''
  }
}

const bandOf = ({ band }: Charge): string[] =>
  band?.share && band.share.text !== '1' ? [` × ${band.share.text}`] : []

const percent = (share: string): string => `${number(Number(share) * 100)} %`

/** The rules that took part, a sentence each: steps, bands, caps, allowances, licences, shares. */
export function chargeRules(charge: Charge, timeZone: string): string[] {
  const { subject, band, waived } = charge
  const rules: string[] = []
  if (subject.of === 'disk' && subject.byStep && subject.chargedGiB !== subject.askedGiB) {
    rules.push(
      `Sold by steps: ${number(subject.askedGiB)} GiB are charged as the next step, ${number(subject.chargedGiB)} GiB.`,
    )
  }
  if (subject.of === 'licence') {
    rules.push(
      subject.vcpu === undefined
        ? 'Priced with the size, whatever its vCPU.'
        : `Charged for ${subject.vcpu} vCPU, as long as the licence is.`,
    )
  }
  if (subject.of === 'snapshots') {
    const { kept, usedGiB, changedPercent } = subject
    rules.push(
      `${kept} kept: the first holds the ${number(usedGiB)} GiB in use, each later one the ${changedPercent} % that changed, ${number(toNumber(charge.units))} GiB in all.`,
    )
  }
  if (subject.of === 'minimum') {
    rules.push('A machine costs at least this much in a month in which there is one, if only for a second.')
  }
  if (subject.of === 'up-front') {
    rules.push(`Paid once for ${subject.months} months; each month carries an equal part.`)
  }
  if (charge.meter === 'commitment' && subject.of === 'size') {
    rules.push('Paid for every hour of the month, whether the machine runs or not.')
  }
  if (band && subject.of === 'traffic') {
    rules.push(
      `Band ${band.at + 1} of ${band.count}, ${number(Number(band.from))} ${band.to === undefined ? 'GiB and more' : `to ${number(Number(band.to))} GiB`} of the ${number(subject.accountGiB)} GiB that the account sends from the region; this machine pays its share.`,
    )
  } else if (band && !band.share) {
    const unit = subject.of === 'disk' ? 'GiB of the disk' : 'hours of the machine’s month'
    const end = band.to === undefined ? 'on' : `to ${number(Number(band.to))}`
    rules.push(
      `Band ${band.at + 1} of ${band.count}: from ${number(Number(band.from))} ${end}, in ${unit}, each at its own price.`,
    )
  } else if (band) {
    rules.push(
      `Band ${band.at + 1} of ${band.count}: from ${percent(band.from)} to ${percent(band.to ?? '1')} of the month, at ${percent(band.share?.text ?? '1')} of the rate.`,
    )
  }
  if (waived) rules.push(waiverText(waived, timeZone))
  return rules
}

function waiverText(waived: Waiver, timeZone: string): string {
  switch (waived.by) {
    case 'allowance':
      return waived.usedUpAt === undefined
        ? `Free by the allowance “${waived.name}”, which lasts all month.`
        : `Free by the allowance “${waived.name}”, which is used up on ${formatInstantIn(waived.usedUpAt, timeZone)}.`
    case 'cap':
      return `After ${number(waived.hours)} charged hours in a month the flat plan charges nothing more.`
    case 'own-licence':
      return 'An own licence is brought along, so this one is not charged.'
    case 'included':
      return 'Part of the size’s price.'
  }
}
