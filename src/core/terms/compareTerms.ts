import { ownValue } from '../ownValue.ts'
import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { Terms } from '../catalogue/priceBook.ts'
import { sizeRates } from '../catalogue/sizeRates.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { FitReason } from '../fit/fitReason.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { hardwareReads } from '../meter/chargeReads.ts'
import { computeCharges } from '../meter/computeCharges.ts'
import { meterMachine } from '../meter/meterMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { freeHours } from '../meter/freeShare.ts'
import { meteredRun } from '../meter/meteredMonth.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { offStates } from '../off/offPlan.ts'
import { add, ZERO, type Exact } from '../quantity/exact.ts'
import type { Rate } from '../quantity/rate.ts'
import { lengthOf, type Seconds } from '../quantity/units.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { lastCrossing, type CurvePoint } from './crossing.ts'

/** One of the terms on which the machine's size is sold where it stands. */
export interface TermsOffer {
  readonly terms: Terms
  readonly isPresent: boolean
  /** The whole month of this machine on these terms, under its own schedule; undefined where a part has no price. */
  readonly total: Exact | undefined
  /** Machine time alone, against seconds on in the month: straight between the points. */
  readonly curve: readonly CurvePoint[]
  /**
   * Seconds on from which these terms cost no more than the first of the offers for the rest of the month: 0 always,
   * undefined never.
   */
  readonly paysFrom: Exact | undefined
  /** Paid once now, for the whole term. */
  readonly upFront: Rate | undefined
  readonly interruption: string | undefined
  readonly reasons: readonly FitReason[]
}

export interface TermsComparison {
  /** On demand first, where there is such a thing; it is what the others are compared with. */
  readonly offers: readonly TermsOffer[]
  /** Seconds that the machine's schedule is charged for, on terms by time. */
  readonly scheduled: Seconds
  readonly month: BillingMonth
}

/** Every way to pay for this machine's size, for its own schedule and against hours of the month. */
export function compareTerms(
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): TermsComparison {
  const { index, region, size } = resolved
  const sold = index.book.terms.filter((terms) => sizeRates(region, size.id, terms))
  sold.sort((a, b) => Number(b.kind === 'on-demand') - Number(a.kind === 'on-demand'))
  const kinks = kinksOf(sold, resolved, month, shared)
  const curves = sold.map((terms) => kinks.map((seconds) => pointAt(resolved, terms, seconds, month, shared)))
  return {
    offers: sold.map((terms, i) => {
      const changed = withTerms(resolved, terms)
      return {
        terms,
        isPresent: terms.id === resolved.terms.id,
        total: machineTotal(changed, month, shared),
        curve: curves[i]!,
        paysFrom: lastCrossing(curves[i]!, curves[0]!),
        upFront: sizeRates(region, size.id, terms)?.upFront,
        interruption: interruptionOf(resolved, terms),
        reasons: fitReasons(changed),
      }
    }),
    scheduled: meterMachine(resolved, month).compute.time.charged,
    month,
  }
}

const withTerms = (resolved: ResolvedMachine, terms: Terms): ResolvedMachine => ({
  ...resolved,
  terms,
  machine: { ...resolved.machine, terms: terms.id },
})

function interruptionOf({ region, size }: ResolvedMachine, terms: Terms): string | undefined {
  if (terms.kind !== 'spot') return undefined
  return ownValue(ownValue(region.prices.sizes, size.id)?.terms, terms.id)?.interruption ?? terms.interruption
}

/** Machine time for so many seconds from the month's start. */
function pointAt(
  resolved: ResolvedMachine,
  terms: Terms,
  seconds: number,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): CurvePoint {
  // Off is not gone, unless it is deleted: a flat plan is charged for it.
  const metered = meteredRun(month, seconds, !offStates(resolved.machine).includes('deleted'))
  const context = { index: resolved.index, metered, month, shared }
  const charges = computeCharges(hardwareReads(withTerms(resolved, terms)), context)
  // Only terms on which the size is sold come here.
  if (!charges.ok) throw new RangeError(`${terms.name} has no rate`)
  return { seconds, amount: charges.value.reduce((sum, { amount }) => add(sum, amount), ZERO) }
}

/** Where one of the curves may bend: bands, caps, the end of free hours; whole seconds, from 0 to the month's length. */
function kinksOf(
  sold: readonly Terms[],
  resolved: ResolvedMachine,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): number[] {
  const length = lengthOf(month)
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  const kinks = new Set<number>([0, length])
  const around = (seconds: number): void => {
    // A bend between two seconds lies on neither: both are points.
    for (const at of [Math.floor(seconds), Math.ceil(seconds)]) if (at > 0 && at < length) kinks.add(at)
  }
  for (const terms of sold) {
    if (terms.kind === 'flat' && terms.capHours !== undefined)
      around((terms.capHours * ticksPerHour) / ticksPerSecond)
  }
  const onDemand = sold.find(({ kind }) => kind === 'on-demand')
  const context = { index: resolved.index, metered: meteredRun(month, length), month, shared }
  const free = onDemand && freeHours(hardwareReads(withTerms(resolved, onDemand)), context)
  const freeSeconds = (free?.ticks ?? 0) / ticksPerSecond
  around(freeSeconds)
  // Bands count what is left after the free hours.
  for (const { upToShare } of resolved.index.book.billing.longRunRebate ?? []) {
    const { n, d } = parseDecimal(upToShare)!
    around(freeSeconds + Number((n * BigInt(length)) / d))
  }
  return [...kinks].sort((a, b) => a - b)
}
