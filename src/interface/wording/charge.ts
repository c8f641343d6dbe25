import type { Charge } from '../../core/meter/charge.ts'
import { formatDuration, formatHours } from './time'
import { formatExact, groupDigits } from './money'

const ADDRESS_USE = { attachedOn: 'while on', attachedOff: 'while off', unattached: 'unattached' } as const

/** What a line is for. */
export function chargeTitle({ subject }: Charge): string {
  switch (subject.of) {
    case 'size':
      return 'Machine time'
    case 'licence':
      return subject.name
    case 'disk':
      return subject.position === 0 ? 'System disk' : `Data disk ${subject.position}`
    case 'address':
      return `Public address, ${ADDRESS_USE[subject.use]}`
    case 'memory':
      return 'Memory kept on disk'
  }
}

/** How much of it, in a few words. */
export function chargeDetail(charge: Charge): string {
  const { subject, time, month } = charge
  switch (subject.of) {
    case 'size':
      return `${formatHours(time)} at ${charge.rate.text}`
    case 'licence':
      return `${formatHours(time)} × ${subject.vcpu} vCPU at ${charge.rate.text}`
    case 'disk': {
      const room = `${groupDigits(String(subject.askedGiB))} GiB ${subject.name}`
      const step = subject.byStep && subject.chargedGiB !== subject.askedGiB
      return `${room}${step ? `, step of ${subject.chargedGiB}` : ''}${time === month ? ', all month' : ''}`
    }
    case 'address':
      return `${subject.sort}, ${formatHours(time)} at ${charge.rate.text}`
    case 'memory':
      return `${subject.memoryGiB} GiB, ${formatHours(time)}`
  }
}

/** The line's arithmetic, with every factor. */
export function chargeArithmetic(charge: Charge): string {
  const { rate, time, month, units, amount } = charge
  const factor = units === 1 ? '' : ` × ${units}`
  const result = `= ${formatExact(amount)}`
  if (rate.per === 'hour') {
    return `${groupDigits(String(time))} s × ${rate.text} an hour${factor} ÷ 3,600 s ${result}`
  }
  const share = time === month ? '' : ` × ${groupDigits(String(time))} s ÷ ${groupDigits(String(month))} s`
  return `${rate.text} a month${factor}${share} ${result}`
}

/** How the provider's minimum and increment took part, where they apply to the line. */
export function chargeRounding({ rounding }: Charge): string | undefined {
  if (!rounding) return undefined
  const { runs, added, minimumSeconds, incrementSeconds, trueTime } = rounding
  const rule = `${minimumSeconds} s at the least, then by ${incrementSeconds === 1 ? 'the second' : `${groupDigits(String(incrementSeconds))} s`}`
  const what = added > 0 ? `rounding added ${formatDuration(added)}` : 'nothing added by rounding'
  return `${runs} ${runs === 1 ? 'run' : 'runs'}, ${formatDuration(trueTime)} in all; ${rule}: ${what}`
}
