import type { RebateBand } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import type { MarketColumns } from './marketColumns.ts'

/** What an offer is, by its numbers among the columns, and what is chosen of a size that leaves it to choose. */
interface PaidOffer {
  readonly region: number
  readonly terms: number
  readonly size: number
  readonly chosen?: { readonly vcpu: number; readonly cores?: number; readonly memoryGiB: number } | undefined
}

/**
 * From how many hours on in the month an offer's machine costs less than the same on demand at its place: whole hours, 0
 * from the first one on. A floating number, which may be more than the month has; NaN where it is not sold on demand there,
 * or never costs less. Disks and all else cost the same on both and have no say. `hours` is the length of the month.
 */
export function paysAfter(columns: MarketColumns, hours: number, offer: PaidOffer): number {
  const { terms } = columns
  const on = terms[offer.terms]!
  if (on.kind === 'on-demand') return 0
  const { at: demand } = onDemandOf(columns)
  const rate = rateOf(columns, offer)
  const onDemand = demand < 0 ? NaN : rateOf(columns, { ...offer, terms: demand })
  if (on.kind === 'spot') return rate <= onDemand ? 0 : NaN
  const charged = on.kind === 'flat' ? Math.min(hours, on.capHours ?? hours) : hours
  const bands = columns.index.book.billing.longRunRebate ?? []
  return Math.ceil(hoursCharged((charged * rate) / onDemand, hours, bands) - 1e-9)
}

const onDemandOf = keptFor(({ terms }: MarketColumns) => ({
  at: terms.findIndex(({ kind }) => kind === 'on-demand'),
}))

function rateOf({ perHour, terms, sizes, choiceRates }: MarketColumns, offer: PaidOffer): number {
  const at = (offer.region * terms.length + offer.terms) * sizes.length + offer.size
  const rate = perHour[at]!
  const choice = choiceRates.get(at)
  if (!choice) return rate
  const { vcpu, cores = vcpu, memoryGiB } = offer.chosen ?? sizes[offer.size]!
  return rate + choice.perVcpu * vcpu + choice.perCore * cores + choice.perGiB * memoryGiB
}

/** How many hours of a month are on where so many full-priced ones are charged: those of later bands count for less. */
function hoursCharged(full: number, hours: number, bands: readonly RebateBand[]): number {
  let left = full
  let from = 0
  for (const { upToShare, rateShare } of bands) {
    const until = Number(upToShare) * hours
    const inBand = (until - from) * Number(rateShare)
    if (left <= inBand) return from + left / Number(rateShare)
    left -= inBand
    from = until
  }
  return from + left
}
