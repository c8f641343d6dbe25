import { ZERO, type Exact } from '../quantity/exact.ts'
import { amountAt } from '../quantity/rate.ts'
import type { Charge, ChargeRules, Tariff } from './charge.ts'
import type { Pieces } from './pieces.ts'

const NO_RULES: ChargeRules = { rounding: undefined, band: undefined, waived: undefined }

/** A charge with its amount. All charges have the same fields in the same order: thousands are made for one screen. */
export function makeCharge(
  meter: Charge['meter'],
  subject: Charge['subject'],
  { rate, units, ticksPerPeriod, ticksPerSecond }: Tariff,
  pieces: Pieces,
  { rounding, band, waived }: ChargeRules = NO_RULES,
): Charge {
  const full = waived ? ZERO : amountAt(rate, units, pieces.ticks, ticksPerPeriod)
  const amount = withShare(full, band)
  return {
    meter,
    subject,
    rate,
    units,
    ticksPerPeriod,
    ticksPerSecond,
    pieces,
    rounding,
    band,
    waived,
    amount,
  }
}

/** What a part of a charge's ticks costs; parts add up exactly to the whole charge. */
export function amountOf({ rate, units, ticksPerPeriod, band, waived }: Charge, ticks: number): Exact {
  return waived ? ZERO : withShare(amountAt(rate, units, ticks, ticksPerPeriod), band)
}

/** Not reduced: its denominator is a multiple of the other charges', which adds up fastest. */
const withShare = (full: Exact, band: Charge['band']): Exact =>
  band?.share && band.share.text !== '1'
    ? { n: full.n * band.share.value.n, d: full.d * band.share.value.d }
    : full
