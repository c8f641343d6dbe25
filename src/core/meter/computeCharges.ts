import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import { sizeRates, unitsOf, type SizeRateBase } from '../catalogue/sizeRates.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { lengthOf } from '../quantity/units.ts'
import { withAmount } from './amountOf.ts'
import type { Band, Charge, Waiver } from './charge.ts'
import type { MeteredMonth } from './meteredMonth.ts'
import { cutAtTicks, type Pieces } from './pieces.ts'
import { hourPieces } from './clockPieces.ts'
import { allowanceWaiver, freeHours } from './freeShare.ts'
import type { SharedAccount } from './sharedAccount.ts'

/** A stretch of charged time at one rate: free, in a band, or neither. */
interface Slice {
  readonly pieces: Pieces
  readonly band?: Band
  readonly waived?: Waiver
}

/** The machine itself, on its terms. Free hours come first, then the bands of a rebate for what is left. */
export function computeCharges(
  resolved: ResolvedMachine,
  metered: MeteredMonth,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Charge[] {
  const { region, size, terms } = resolved
  const rates = sizeRates(region, size.id, terms)
  if (!rates) return []
  const committed = terms.kind === 'commitment'
  const pieces = hourPieces(committed ? metered.always : metered.compute.pieces, month)
  const slices = slicesOf(resolved, pieces, month, shared)
  const rounding = committed ? undefined : metered.compute.time
  const meter = committed ? ('commitment' as const) : ('compute' as const)
  const charges = rates.parts.flatMap(({ base, rate }) => {
    const subject = { of: 'size', name: size.name, base, terms: terms.name } as const
    return slices.map((slice) =>
      withAmount({
        meter,
        subject,
        ...timeCharge(rate, base, size, slice, month),
        ...(rounding && { rounding }),
      }),
    )
  })
  if (rates.upFront && committed)
    charges.push(upFrontShare(resolved, rates.upFront, terms.months, pieces, month))
  return charges
}

function slicesOf(
  resolved: ResolvedMachine,
  pieces: Pieces,
  month: BillingMonth,
  shared: SharedAccount | undefined,
): Slice[] {
  const { terms, index } = resolved
  if (terms.kind === 'flat' && terms.capHours !== undefined) {
    const [counted, beyond] = cutAtTicks(pieces, terms.capHours * hourClock(month).ticksPerHour)
    return [{ pieces: counted }, ...some(beyond, { waived: { by: 'cap', hours: terms.capHours } })]
  }
  if (terms.kind !== 'on-demand') return [{ pieces }]
  const free = shared && freeHours(shared, resolved, pieces)
  if (!free) return rebateSlices(index.book, pieces, month)
  const [covered, rest] = cutAtTicks(pieces, free.ticks)
  return [
    ...some(covered, { waived: allowanceWaiver(free) }),
    ...(rest.ticks > 0 || covered.ticks === 0 ? rebateSlices(index.book, rest, month) : []),
  ]
}

const some = (pieces: Pieces, part: Omit<Slice, 'pieces'>): Slice[] =>
  pieces.ticks > 0 ? [{ pieces, ...part }] : []

/** Bands begin at whole seconds of the month: 0.3 of 2,678,400 s is 803,520 s; parts of a second are dropped. */
function rebateSlices(
  { billing: { longRunRebate: bands } }: PriceBook,
  pieces: Pieces,
  month: BillingMonth,
): Slice[] {
  if (!bands || bands.length === 0) return [{ pieces }]
  const slices: Slice[] = []
  const { ticksPerSecond } = hourClock(month)
  let rest = pieces
  let begins = 0
  for (const [at, { upToShare, rateShare }] of bands.entries()) {
    const last = at === bands.length - 1
    const ends = last ? Infinity : wholeSeconds(upToShare, month) * ticksPerSecond
    const [inBand, beyond] = cutAtTicks(rest, ends - begins)
    const share = {
      text: rateShare,
      value: parseDecimal(rateShare)!,
      pointer: `/billing/longRunRebate/${at}/rateShare`,
    }
    const from = at === 0 ? '0' : bands[at - 1]!.upToShare
    if (inBand.ticks > 0 || at === 0)
      slices.push({ pieces: inBand, band: { at, count: bands.length, from, to: upToShare, share } })
    rest = beyond
    begins = ends
    if (rest.ticks === 0) break
  }
  return slices
}

function wholeSeconds(share: string, month: BillingMonth): number {
  const { n, d } = parseDecimal(share)!
  return Number((n * BigInt(lengthOf(month))) / d)
}

function timeCharge(
  rate: Rate,
  base: SizeRateBase,
  size: ResolvedMachine['size'],
  { pieces, band, waived }: Slice,
  month: BillingMonth,
): Omit<Charge, 'meter' | 'subject' | 'amount'> {
  const clock = hourClock(month)
  return {
    rate,
    units: unitsExact(unitsOf(base, size)),
    pieces,
    ticksPerSecond: clock.ticksPerSecond,
    ticksPerPeriod: rate.per === 'month' ? lengthOf(month) * clock.ticksPerSecond : clock.ticksPerHour,
    ...(band && { band }),
    ...(waived && { waived }),
  }
}

/** Each month carries an equal part of what was paid up front, evenly over its time. */
function upFrontShare(
  { size, terms }: ResolvedMachine,
  rate: Rate,
  months: number,
  pieces: Pieces,
  month: BillingMonth,
): Charge {
  return withAmount({
    meter: 'commitment',
    subject: { of: 'up-front', name: size.name, terms: terms.name, months },
    rate,
    units: unitsExact(1),
    pieces,
    ticksPerSecond: hourClock(month).ticksPerSecond,
    ticksPerPeriod: lengthOf(month) * hourClock(month).ticksPerSecond * months,
  })
}
