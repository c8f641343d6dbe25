import { addressRate, diskRate, memoryImageRate, sizeRate } from '../catalogue/bookIndex.ts'
import { changeTimes } from '../catalogue/changeTimes.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { monthTimeline } from '../power/monthTimeline.ts'
import { hourlyAmount, monthlyAmount, type Rate } from '../quantity/rate.ts'
import { lengthOf, type Seconds, type Span } from '../quantity/units.ts'
import type { Charge, ChargeSubject, Meter } from './charge.ts'
import type { ChargedTime } from './chargedRuns.ts'
import { meteredMonth, type MeteredMonth } from './meteredMonth.ts'

/** How long each meter of this machine runs in the month. The book must have the machine's off state. */
export function meterMachine({ machine, index, size, week }: ResolvedMachine, month: Span): MeteredMonth {
  const changes = changeTimes(index.book, machine.off, size.memoryGiB)
  return meteredMonth(monthTimeline(week, machine.off, changes, month), index.book)
}

/**
 * Every charge of one machine for one month, in the order in which a bill is read; the one calculation behind every
 * figure. Undefined where the book has no price for something the machine has. O(disks) once the week is metered.
 */
export function chargeMachine(resolved: ResolvedMachine, metered: MeteredMonth): Charge[] | undefined {
  const { region, size, image, machine, index } = resolved
  const month = lengthOf(metered.timeline.month)
  const { compute, licence } = metered

  const computeRate = sizeRate(region, size.id)
  if (!computeRate) return undefined
  const charges = [byRuns('compute', { of: 'size', name: size.name }, computeRate, 1, compute, month)]

  const licensed = image.licence === undefined ? undefined : index.licences.get(image.licence)
  if (licensed) {
    const vcpu = Math.max(size.vcpu, licensed.licence.leastVcpu)
    const subject = { of: 'licence', name: licensed.licence.name, vcpu } as const
    charges.push(byRuns('licence', subject, licensed.rate, vcpu, licence, month))
  }

  for (let position = 0; position <= machine.dataDisks.length; position += 1) {
    const disk = position === 0 ? machine.systemDisk : machine.dataDisks[position - 1]!
    const kind = position === 0 ? resolved.systemKind : resolved.dataKinds[position - 1]!
    const found = diskRate(region, kind, disk.roomGiB)
    if (!found) return undefined
    const { rate, units, chargedGiB } = found
    const byStep = kind.room.by === 'step'
    const subject = {
      of: 'disk',
      position,
      name: kind.name,
      askedGiB: disk.roomGiB,
      chargedGiB,
      byStep,
    } as const
    charges.push(byMonth('disk', subject, rate, units, metered.disks, month))
  }

  if (machine.address !== 'none') {
    for (const [use, time] of metered.address) {
      const rate = addressRate(region, machine.address, use)
      if (!rate) return undefined
      const subject = { of: 'address', sort: machine.address, use } as const
      charges.push({
        meter: 'address',
        subject,
        rate,
        units: 1,
        time,
        month,
        amount: hourlyAmount(rate, time),
      })
    }
  }

  if (metered.memoryImage > 0) {
    const rate = memoryImageRate(region)
    if (!rate) return undefined
    const subject = { of: 'memory', memoryGiB: size.memoryGiB } as const
    charges.push(byMonth('memory-image', subject, rate, size.memoryGiB, metered.memoryImage, month))
  }
  return charges
}

function byRuns(
  meter: Meter,
  subject: ChargeSubject,
  rate: Rate<'hour'>,
  units: number,
  rounding: ChargedTime,
  month: Seconds,
): Charge {
  const time = rounding.charged
  return { meter, subject, rate, units, time, month, rounding, amount: hourlyAmount(rate, time, units) }
}

function byMonth(
  meter: Meter,
  subject: ChargeSubject,
  rate: Rate<'month'>,
  units: number,
  time: Seconds,
  month: Seconds,
): Charge {
  return { meter, subject, rate, units, time, month, amount: monthlyAmount(rate, time, month, units) }
}
