import type { Charge, Waiver } from '../core/meter/charge.ts'
import { amountOf } from '../core/meter/makeCharge.ts'
import { toNumber } from '../core/quantity/exact.ts'
import { formatExact } from './money'
import { UNIT_NAMES } from './charge'
import { formatInstantIn } from './time'
import { formatNumber } from './number'

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
  const share =
    ticks === charge.pieces.ticks
      ? ''
      : ` × ${formatNumber(ticks, 3)} ÷ ${formatNumber(charge.pieces.ticks, 3)}`
  switch (subject.of) {
    case 'up-front':
      return [`${rate.text} ÷ ${subject.months} months`, shareOfMonth(charge, ticks, subject.months)]
    case 'disk-operations':
      return [`${formatNumber(subject.bought, 3)} operations ÷ 10,000 × ${rate.text}`, share]
    case 'restore':
      return [
        `${formatNumber(subject.restoredGiB, 3)} GiB × ${formatNumber(ticks, 3)} times × ${rate.text} a GiB`,
      ]
    case 'traffic':
      return [`${formatNumber(toNumber(units), 3)} GiB × ${rate.text} a GiB`, share]
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

const seconds = ({ ticksPerSecond }: Charge, ticks: number): string =>
  `${formatNumber(ticks / ticksPerSecond, 3)} s`

/** In the 730-hour reading an hourly rate is charged for the month's hours as if they were 730. */
function printedMonth({ ticksPerSecond, ticksPerPeriod, rate }: Charge): string {
  const period = rate.per === 'second' ? 1 : 3_600
  return ticksPerSecond === 1 ? '' : ` × 730 h ÷ ${formatNumber(ticksPerPeriod / period / 3_600, 3)} h`
}

function shareOfMonth({ ticksPerPeriod, ticksPerSecond }: Charge, ticks: number, months: number): string {
  const whole = ticksPerPeriod / months
  if (ticks === whole) return ''
  return ` × ${formatNumber(ticks / ticksPerSecond, 3)} s ÷ ${formatNumber(whole / ticksPerSecond, 3)} s`
}

function unitsOf({ subject, units }: Charge): string {
  const value = toNumber(units)
  switch (subject.of) {
    case 'size':
      return subject.base === 'machine' ? '' : ` × ${formatNumber(value, 3)} ${UNIT_NAMES[subject.base]}`
    case 'licence':
      return subject.vcpu === undefined ? '' : ` × ${formatNumber(value, 3)} vCPU`
    case 'disk':
      return subject.byStep ? '' : ` × ${formatNumber(value, 3)} GiB`
    case 'disk-iops':
      return ` × ${formatNumber(value, 3)} IOPS`
    case 'disk-throughput':
      return ` × ${formatNumber(value, 3)} MB/s`
    case 'snapshots':
    case 'memory':
      return ` × ${formatNumber(value, 3)} GiB`
    default:
      return ''
  }
}

const bandOf = ({ band }: Charge): string[] =>
  band?.share && band.share.text !== '1' ? [` × ${band.share.text}`] : []

const percent = (share: string): string => `${formatNumber(Number(share) * 100, 3)} %`

/** The rules that took part, a sentence each: steps, bands, caps, allowances, licences, shares. */
export function chargeRules(charge: Charge, timeZone: string): string[] {
  const { subject, band, waived } = charge
  const rules: string[] = []
  if (subject.of === 'disk' && subject.byStep && subject.chargedGiB !== subject.askedGiB) {
    rules.push(
      `Sold by steps: ${formatNumber(subject.askedGiB, 3)} GiB are charged as the next step, ${formatNumber(subject.chargedGiB, 3)} GiB.`,
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
      `${kept} kept: the first holds the ${formatNumber(usedGiB, 3)} GiB in use, each later one the ${changedPercent} % that changed, ${formatNumber(toNumber(charge.units), 3)} GiB in all.`,
      'They stay when their disk goes with its machine, until they are deleted.',
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
      `Band ${band.at + 1} of ${band.count}, ${formatNumber(Number(band.from), 3)} ${band.to === undefined ? 'GiB and more' : `to ${formatNumber(Number(band.to), 3)} GiB`} of the ${formatNumber(subject.accountGiB, 3)} GiB that the account sends from the region; this machine pays its share.`,
    )
  } else if (band && !band.share) {
    const unit = subject.of === 'disk' ? 'GiB of the disk' : 'hours of the machine’s month'
    const end = band.to === undefined ? 'on' : `to ${formatNumber(Number(band.to), 3)}`
    rules.push(
      `Band ${band.at + 1} of ${band.count}: from ${formatNumber(Number(band.from), 3)} ${end}, in ${unit}, each at its own price.`,
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
      return `After ${formatNumber(waived.hours, 3)} charged hours in a month the flat plan charges nothing more.`
    case 'own-licence':
      return 'An own licence is brought along, so this one is not charged.'
    case 'included':
      return 'Part of the size’s price.'
  }
}
