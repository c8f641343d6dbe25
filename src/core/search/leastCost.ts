import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { RegionIndex } from '../catalogue/bookIndex.ts'
import type { PriceBook, Size, Terms } from '../catalogue/priceBook.ts'
import { sizeRates, unitsOf } from '../catalogue/sizeRates.ts'
import { hourPieces } from '../meter/clockPieces.ts'
import type { MeteredMonth } from '../meter/meteredMonth.ts'
import { toNumber } from '../quantity/exact.ts'

/** Below what floating numbers can be off by: a bound must never be above the true figure. */
const MARGIN = 1 - 1e-9

/**
 * What a size's machine time costs at the least, as a floating number: a bound by which offers are passed over, never a
 * figure. Free hours count as if the machine had them all, a rebate as if all hours had its deepest share, bands of
 * hours as if all had the lowest rate. Undefined
 * where the region does not sell the size on these terms.
 */
export function leastCost(
  region: RegionIndex,
  size: Size,
  terms: Terms,
  metered: MeteredMonth,
  month: BillingMonth,
  book: PriceBook,
): number | undefined {
  const rates = sizeRates(region, size.id, terms)
  if (!rates) return undefined
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  const hoursInMonth = (hourPieces(metered.always, month).ticks || 1) / ticksPerHour
  const runs = terms.kind === 'flat' ? metered.flat : metered.compute
  const used = hourPieces(runs.pieces, month).ticks / ticksPerHour
  const hours = terms.kind === 'commitment' ? hoursInMonth : Math.min(used, capOf(terms))
  const monthLength = ((month.to - month.from) * ticksPerSecond) / ticksPerHour
  let cost = 0
  const bands = rates.parts.filter((part) => part.hours)
  if (bands.length > 0) cost += Math.min(...bands.map(({ rate }) => toNumber(rate.value))) * hours
  for (const { base, rate, hours: band } of rates.parts) {
    if (band) continue
    const each = toNumber(rate.value) * unitsOf(base, size)
    cost +=
      rate.per === 'month' ? (each * hours) / monthLength : each * hours * (rate.per === 'second' ? 3_600 : 1)
  }
  if (terms.kind === 'on-demand') cost *= deepestShare(book, size)
  if (terms.kind === 'commitment' && rates.upFront) cost += toNumber(rates.upFront.value) / terms.months
  return cost * MARGIN
}

const capOf = (terms: Terms): number => (terms.kind === 'flat' ? (terms.capHours ?? Infinity) : Infinity)

function deepestShare({ freeAllowances, billing }: PriceBook, { id }: Size): number {
  const isFree = freeAllowances?.some(({ eligible, hoursPerMonth }) => hoursPerMonth && eligible.includes(id))
  if (isFree) return 0
  return (billing.longRunRebate ?? []).reduce((least, { rateShare }) => Math.min(least, Number(rateShare)), 1)
}
