import { trafficBands } from '../catalogue/regionRates.ts'
import { gib } from '../quantity/units.ts'
import { compare, multiply, sign, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { exactNumber, MOST_DECIMALS, toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { accept, type Outcome } from '../outcome.ts'
import { missingPrice, type Charge, type MissingPrice, type Tariff } from './charge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { regionOf, type HardwareReads } from './chargeReads.ts'
import { makeCharge } from './makeCharge.ts'
import { MIB_PER_GIB } from './clockPieces.ts'
import { payableTraffic } from './payableTraffic.ts'

/**
 * Traffic out: first what the size includes, then the bands, which all machines of the account fill together; each
 * machine pays its share of every band. Expected of a month in which the machine runs, and spread evenly over the time
 * that it does.
 */
export function trafficCharges(
  reads: HardwareReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const asked = reads.trafficOutGiB ?? 0
  const { metered } = context
  if (asked === 0 || metered.running.ticks === 0) return accept([])
  const bands = trafficBands(regionOf(reads, context))
  if (!bands) return missingPrice('traffic')
  const own = payableTraffic(reads, metered)
  const account = accountTraffic(reads, context, own)
  const included = asked - own / MIB_PER_GIB
  const subject = { of: 'traffic', ownGiB: gib(asked), accountGiB: gib(account / MIB_PER_GIB) } as const
  const tariff = (rate: Rate, units: Exact): Tariff => ({
    rate,
    units,
    ticksPerPeriod: metered.running.ticks,
    ticksPerSecond: 0,
  })
  const charges: Charge[] = []
  if (included > 0) {
    const rules = { rounding: undefined, band: undefined, waived: { by: 'included' } } as const
    const free = tariff(bands[0]!.rate, unitsExact(included))
    charges.push(makeCharge('traffic', subject, free, metered.running, rules))
  }
  const all = { n: BigInt(account), d: MIB }
  let begins = ZERO
  for (const [at, band] of bands.entries()) {
    const ends = band.upToGiB === undefined ? undefined : exactNumber(band.upToGiB)
    const filled = subtract(ends && compare(ends, all) < 0 ? ends : all, begins)
    if (sign(filled) <= 0 || own === 0) break
    const share = multiply(filled, { n: BigInt(own), d: BigInt(account) })
    const part = { at, count: bands.length, from: plainDecimal(begins), to: ends && plainDecimal(ends) }
    const rules = { rounding: undefined, band: part, waived: undefined }
    charges.push(makeCharge('traffic', subject, tariff(band.rate, share), metered.running, rules))
    if (ends) begins = ends
  }
  return accept(charges)
}

const MIB = BigInt(MIB_PER_GIB)

const plainDecimal = (value: Exact): string => trimDecimal(toDecimal(value, MOST_DECIMALS))

/** What the whole account sends from the machine's region, in MiB, this machine as it is now. */
function accountTraffic({ machine, region }: HardwareReads, { shared }: ChargeContext, own: number): number {
  const known = shared?.traffic.get(region)
  const others = known ? known.together - (known.byMachine.get(machine) ?? 0) : 0
  return others + own
}
