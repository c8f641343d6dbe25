import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { BandRate } from '../catalogue/bandRates.ts'
import { sizeRates, unitsOf } from '../catalogue/sizeRates.ts'
import type { PriceBook, Terms } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import type { Exact } from '../quantity/exact.ts'
import { unitsExact, type Rate } from '../quantity/rate.ts'
import { lengthOf } from '../quantity/units.ts'
import { accept, type Outcome } from '../outcome.ts'
import { bandOfRate, missingPrice, type Band, type Charge, type MissingPrice, type Waiver } from './charge.ts'
import { makeCharge } from './makeCharge.ts'
import type { ChargeContext } from './chargeContext.ts'
import { regionOf, type HardwareReads } from './chargeReads.ts'
import { cutAtTicks, type Pieces } from './pieces.ts'
import { clockTariff, hourPieces } from './clockPieces.ts'
import { cutFree, freeHours, type FreeShare } from './freeShare.ts'

/** A stretch of charged time at one rate: free, in a band, or neither. */
interface Slice {
  readonly pieces: Pieces
  readonly band: Band | undefined
  readonly waived: Waiver | undefined
}

/** The machine itself, on its terms. Free hours come first, then the bands of a rebate for what is left. */
export function computeCharges(
  reads: HardwareReads,
  context: ChargeContext,
): Outcome<Charge[], MissingPrice> {
  const { index, metered, month } = context
  const terms = index.terms.get(reads.terms)!
  const rates = sizeRates(regionOf(reads, context), reads.size, terms)
  if (!rates) return missingPrice('size')
  const committed = terms.kind === 'commitment'
  const runs = terms.kind === 'flat' ? metered.flat : metered.compute
  const pieces = hourPieces(committed ? metered.always : runs.pieces, month)
  const free = terms.kind === 'on-demand' ? freeHours(reads, context) : undefined
  const slices = slicesOf(terms, pieces, context, free)
  const rounding = committed ? undefined : runs.time
  const { sizeName: name } = reads
  const charges: Charge[] = []
  for (const part of rates.parts) {
    const subject = { of: 'size', name, base: part.base, terms: terms.name } as const
    const tariff = clockTariff(part.rate, unitsOf(part.base, reads), month)
    for (const { pieces: own, band, waived } of part.hours ? hoursOf(slices, part.hours, month) : slices) {
      const rules = { rounding, band, waived }
      charges.push(makeCharge(committed ? 'commitment' : 'compute', subject, tariff, own, rules))
    }
  }
  if (rates.upFront && committed) {
    charges.push(upFrontShare(name, terms, rates.upFront, pieces, month))
  }
  return accept(charges)
}

function slicesOf(
  terms: Terms,
  pieces: Pieces,
  { index, month }: ChargeContext,
  free: FreeShare | undefined,
): Slice[] {
  if (terms.kind === 'flat' && terms.capHours !== undefined) {
    const [counted, beyond] = cutAtTicks(pieces, terms.capHours * hourClock(month).ticksPerHour)
    return [plain(counted), ...waivedSlices(beyond, { by: 'cap', hours: terms.capHours })]
  }
  if (terms.kind !== 'on-demand') return [plain(pieces)]
  if (!free) return rebateSlices(index.book, pieces, month)
  const { covered, rest } = cutFree(pieces, free)
  const charged = rest.ticks > 0 || covered.length === 0 ? rebateSlices(index.book, rest, month) : []
  return [...covered.map(([own, waived]) => ({ pieces: own, band: undefined, waived })), ...charged]
}

const plain = (pieces: Pieces): Slice => ({ pieces, band: undefined, waived: undefined })

const waivedSlices = (pieces: Pieces, waived: Waiver): Slice[] =>
  pieces.ticks > 0 ? [{ pieces, band: undefined, waived }] : []

/** What of the slices falls into a band of hours; what is waived is of the first one. */
function hoursOf(slices: readonly Slice[], hours: BandRate, month: BillingMonth): Slice[] {
  const { ticksPerHour } = hourClock(month)
  return slices.flatMap((slice): Slice[] => {
    if (slice.waived) return hours.at === 0 ? [slice] : []
    const [, beyond] = cutAtTicks(slice.pieces, hours.from * ticksPerHour)
    const [own] =
      hours.to === Infinity ? [beyond] : cutAtTicks(beyond, (hours.to - hours.from) * ticksPerHour)
    return own.ticks > 0 || hours.at === 0 ? [{ ...slice, pieces: own, band: bandOfRate(hours) }] : []
  })
}

/** Bands begin at whole seconds of the month: 0.3 of 2,678,400 s is 803,520 s; parts of a second are dropped. */
function rebateSlices(book: PriceBook, pieces: Pieces, month: BillingMonth): Slice[] {
  const bands = bandsOf(book)
  if (bands.length === 0) return [plain(pieces)]
  const slices: Slice[] = []
  const { ticksPerSecond } = hourClock(month)
  let rest = pieces
  let begins = 0
  for (const { band, upTo } of bands) {
    const last = band.at === bands.length - 1
    const ends = last ? Infinity : Number((upTo.n * BigInt(lengthOf(month))) / upTo.d) * ticksPerSecond
    const [inBand, beyond] = cutAtTicks(rest, ends - begins)
    if (inBand.ticks > 0 || band.at === 0) slices.push({ pieces: inBand, band, waived: undefined })
    rest = beyond
    begins = ends
    if (rest.ticks === 0) break
  }
  return slices
}

interface RebateBand {
  readonly band: Band
  readonly upTo: Exact
}

/** Read from their text once a book. */
const bandsOf = keptFor(({ billing: { longRunRebate = [] } }: PriceBook): readonly RebateBand[] =>
  longRunRebate.map(({ upToShare, rateShare }, at) => ({
    upTo: parseDecimal(upToShare)!,
    band: {
      at,
      count: longRunRebate.length,
      from: at === 0 ? '0' : longRunRebate[at - 1]!.upToShare,
      to: upToShare,
      share: {
        text: rateShare,
        value: parseDecimal(rateShare)!,
        pointer: `/billing/longRunRebate/${at}/rateShare`,
      },
    },
  })),
)

/** Each month carries an equal part of what was paid up front, evenly over its time. */
function upFrontShare(
  name: string,
  terms: Extract<Terms, { kind: 'commitment' }>,
  rate: Rate,
  pieces: Pieces,
  month: BillingMonth,
): Charge {
  const { ticksPerSecond } = hourClock(month)
  const { months } = terms
  const ticksPerPeriod = lengthOf(month) * ticksPerSecond * months
  const subject = { of: 'up-front', name, terms: terms.name, months } as const
  return makeCharge(
    'commitment',
    subject,
    { rate, units: unitsExact(1), ticksPerPeriod, ticksPerSecond },
    pieces,
  )
}
