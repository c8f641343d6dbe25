import { multiply, ZERO, type Exact } from '../quantity/exact.ts'
import { amountAt } from '../quantity/rate.ts'
import type { Charge } from './charge.ts'

type Unpriced = Omit<Charge, 'amount'>

/** What a part of a charge's ticks costs; parts add up exactly to the whole charge. */
export function amountOf({ rate, units, ticksPerPeriod, band, waived }: Unpriced, ticks: number): Exact {
  if (waived) return ZERO
  const full = amountAt(rate, units, ticks, ticksPerPeriod)
  return band?.share && band.share.text !== '1' ? multiply(full, band.share.value) : full
}

/** The charge with the amount of all its ticks. */
export const withAmount = (charge: Unpriced): Charge => ({
  ...charge,
  amount: amountOf(charge, charge.pieces.ticks),
})
