import { compare, toNumber } from '../quantity/exact.ts'
import { LeastNumbers } from './LeastNumbers.ts'
import { isBeyond, offerTotal, type MarketOffer } from './offerTotal.ts'
import { lanesOf, scanOffers, type Lanes, type OfferAt } from './scanOffers.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/** Of equally cheap offers beyond these no more are priced; the first in the order of the books are. */
const MOST_TIED = 2_000

/**
 * The `most` cheapest offers of all sellers by their exact month, equal ones in the order of seller, region, terms and
 * size. Bounds decide what is priced: first what has the least bounds, then whatever could still be among the cheapest.
 */
export function cheapestOffers(questions: readonly SellerQuestion[], most: number): MarketOffer[] {
  if (most < 1) return []
  const lanes = lanesOf(questions)
  const priced = new Map<number, MarketOffer | undefined>()
  const price = (offers: readonly OfferAt[]): MarketOffer[] =>
    offers.flatMap((offer) => {
      const key = offerNumber(questions, offer)
      if (!priced.has(key)) priced.set(key, offerTotal(questions[offer.seller]!, offer))
      return priced.get(key) ?? []
    })
  // What turns out not to fit makes room for others: then more are looked at.
  for (let wanted = most; ; wanted *= 2) {
    const limit = boundOf(lanes, wanted)
    const first = inOrder(price(offersUpTo(lanes, limit, wanted + MOST_TIED)))
    if (first.length < most && limit < Infinity) continue
    if (first.length < most) return first
    const dearest = toNumber(first[most - 1]!.total)
    if (!isBeyond(dearest, limit)) return first.slice(0, most)
    return inOrder(price(offersUpTo(lanes, dearest, wanted + MOST_TIED))).slice(0, most)
  }
}

/** The bound up to which there are so many offers; Infinity where there are fewer. */
function boundOf(lanes: Lanes, most: number): number {
  const heap = new LeastNumbers(most)
  scanOffers(lanes, Number.MAX_VALUE, (cost) => {
    heap.take(cost)
    return Math.min(heap.limit, Number.MAX_VALUE)
  })
  return heap.limit
}

function offersUpTo(lanes: Lanes, bound: number, most: number): OfferAt[] {
  const found: (OfferAt & { readonly cost: number })[] = []
  const limit = bound === Infinity ? Number.MAX_VALUE : bound * (1 + 1e-9) + 1e-9
  scanOffers(lanes, limit, (cost, seller, region, terms, size) => {
    found.push({ cost, seller, region, terms, size })
    return limit
  })
  found.sort((a, b) => a.cost - b.cost || inBooks(a, b))
  return found.slice(0, most)
}

const inBooks = (a: OfferAt, b: OfferAt): number =>
  a.seller - b.seller || a.region - b.region || a.terms - b.terms || a.size - b.size

const inOrder = (offers: readonly MarketOffer[]): MarketOffer[] =>
  [...offers].sort((a, b) => compare(a.total, b.total) || inBooks(a, b))

/** A number for an offer, unique over all sellers. */
function offerNumber(questions: readonly SellerQuestion[], { seller, region, terms, size }: OfferAt): number {
  let before = 0
  for (let at = 0; at < seller; at += 1) before += questions[at]!.basis.columns.perHour.length
  const { columns } = questions[seller]!.basis
  return before + (region * columns.terms.length + terms) * columns.sizes.length + size
}
