import type { BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import { addressRate, memoryImageRate, trafficBands } from '../catalogue/regionRates.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { chargeBelongings } from '../meter/chargeMachine.ts'
import type { ChargeContext } from '../meter/chargeContext.ts'
import { belongingsReads, hardwareReads } from '../meter/chargeReads.ts'
import { hourPieces } from '../meter/clockPieces.ts'
import type { MeteredMonth } from '../meter/meteredMonth.ts'
import { trafficCharges } from '../meter/trafficCharges.ts'
import { hourClock } from '../calendar/billingMonth.ts'
import { toNumber } from '../quantity/exact.ts'
import { lengthOf } from '../quantity/units.ts'
import { diskMonths } from './diskMonths.ts'

/** What does not depend on disks: the address, memory on disk and traffic, by region; NaN where one has no price there. */
export function plainMonths(resolved: ResolvedMachine, context: ChargeContext): Float64Array {
  const { metered, month } = context
  const memoryShare = metered.memoryImage.ticks / lengthOf(month)
  return Float64Array.from(resolved.index.regions.values(), (region) => {
    let cost = addressMonth(resolved.machine, region, metered, month)
    if (memoryShare > 0) {
      const rate = memoryImageRate(region)
      cost += rate ? toNumber(rate.value) * resolved.size.memoryGiB * memoryShare : NaN
    }
    return cost + trafficMonth({ ...resolved, region }, context)
  })
}

function addressMonth(
  { address: sort, addressGoes }: Machine,
  region: RegionIndex,
  metered: MeteredMonth,
  month: BillingMonth,
): number {
  if (sort === 'none') return 0
  // It must be sold at all, whatever this month asks of it.
  if (!addressRate(region, sort, 'attachedOn')) return NaN
  const { ticksPerHour } = hourClock(month)
  let cost = 0
  for (const [use, pieces] of metered.address) {
    if (use === 'unattached' && (sort === 'changing' || addressGoes)) continue
    const rate = addressRate(region, sort, use)
    if (!rate) return NaN
    cost += (toNumber(rate.value) * hourPieces(pieces, month).ticks) / ticksPerHour
  }
  return cost
}

function trafficMonth(resolved: ResolvedMachine, context: ChargeContext): number {
  if (!resolved.machine.trafficOutGiB) return 0
  if (!trafficBands(resolved.region)) return NaN
  const charges = trafficCharges(hardwareReads(resolved), context)
  return charges.ok ? charges.value.reduce((sum, { amount }) => sum + toNumber(amount), 0) : NaN
}

/** Whether disks cost more than their room and what is bought on top: then each is charged as a machine's are. */
const isPlain = ({ systemDisk, dataDisks }: Machine, { book }: BookIndex): boolean =>
  [systemDisk, ...dataDisks].every((disk) => !disk.snapshots?.kept && !disk.operationsPerMonth) &&
  !book.freeAllowances?.some(({ gibPerMonth }) => gibPerMonth !== undefined)

/** What a machine's disks cost in each region that sells them; NaN where one is not sold. */
export function disksMonths(resolved: ResolvedMachine, context: ChargeContext): Float64Array {
  const { machine, index } = resolved
  if (!isPlain(machine, index)) return chargedDisks(resolved, context)
  const { metered, month } = context
  const length = lengthOf(month)
  const total = new Float64Array(index.regions.size)
  for (const disk of [machine.systemDisk, ...machine.dataDisks]) {
    const share = (disk.goes ? metered.exists.ticks : metered.always.ticks) / length
    const months = diskMonths(index, disk)
    for (let region = 0; region < total.length; region += 1) total[region]! += months[region]! * share
  }
  return total
}

const chargedDisks = (resolved: ResolvedMachine, context: ChargeContext): Float64Array =>
  Float64Array.from(resolved.index.regions.values(), (region) => {
    const there = { ...resolved, region, machine: { ...resolved.machine, region: region.region.id } }
    const charges = chargeBelongings({ ...belongingsReads(there), address: 'none' }, context)
    return charges.ok ? charges.value.reduce((sum, { amount }) => sum + toNumber(amount), 0) : NaN
  })
