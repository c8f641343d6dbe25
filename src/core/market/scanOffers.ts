import { offerBound } from './offerBound.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/** An offer by its numbers: the seller's place among the questions, region, terms and size among its columns. */
export interface OfferAt {
  readonly seller: number
  readonly region: number
  readonly terms: number
  readonly size: number
}

/** What is told of an offer that comes by; answers above which cost nothing more is of interest. */
export type SeeOffer = (cost: number, seller: number, region: number, terms: number, size: number) => number

/** A region on some terms of one seller, in the machine's currency. */
interface Lane {
  readonly seller: number
  readonly region: number
  readonly terms: number
  /** The least hours that a price is charged for, and the least that comes beside. */
  readonly hours: number
  readonly beside: number
  /** The least that anything in it can cost. */
  readonly bound: number
}

/** Lanes and blocks are passed over by numbers that sum in another order: by so much they may be above an offer's. */
const SLACK = 1 - 1e-9

/**
 * Shows every offer that may cost no more than what `see` last answered, `limit` at first: lanes with the least bound
 * first, and in each the blocks of sizes that can come to it. O(lanes × blocks) beside the offers that are seen.
 */
export function scanOffers(questions: readonly SellerQuestion[], limit: number, see: SeeOffer): void {
  const lanes = questions.flatMap((question, seller) => lanesOf(question, seller))
  lanes.sort((a, b) => a.bound - b.bound)
  let most = limit
  for (const lane of lanes) {
    if (lane.bound > most) return
    most = scanLane(questions[lane.seller]!, lane, most, see)
  }
}

/** What every offer of a question costs at the least beside its price, and in how many hours that is charged. */
interface LeastOfAll {
  readonly hours: Float64Array
  readonly beside: Float64Array
  readonly licences: number
}

function leastOfAll({ basis: { columns }, ways, sizes }: SellerQuestion): LeastOfAll {
  const hours = new Float64Array(columns.terms.length).fill(Infinity)
  const beside = new Float64Array(columns.regions.length).fill(Infinity)
  let licences = Infinity
  for (const way of ways) {
    lower(hours, way.hours)
    lower(beside, way.beside)
    for (const size of sizes) if (way.groupAt[size]! >= 0) licences = Math.min(licences, way.licences[size]!)
  }
  return { hours, beside, licences: Number.isFinite(licences) ? licences : 0 }
}

function lower(least: Float64Array, all: Float64Array): void {
  for (let at = 0; at < all.length; at += 1) {
    const slot = at % least.length
    if (all[at]! < least[slot]!) least[slot] = all[at]!
  }
}

function lanesOf(question: SellerQuestion, seller: number): Lane[] {
  const { basis, regionOpen, termsOpen, blocks, choices, rate } = question
  const { columns } = basis
  const { hours, beside, licences } = leastOfAll(question)
  const lanes: Lane[] = []
  for (let region = 0; region < columns.regions.length; region += 1) {
    if (regionOpen[region] === 0 || beside[region] === Infinity) continue
    for (let terms = 0; terms < columns.terms.length; terms += 1) {
      if (termsOpen[terms] === 0 || hours[terms] === Infinity) continue
      const lane = region * columns.terms.length + terms
      let least = Infinity
      for (const { block } of blocks) {
        const price = columns.leastPerHour[lane * columns.blocks + block]!
        if (price < least) least = price
      }
      // Sizes of free choice stand in no block.
      if (choices.length > 0) least = 0
      if (least === Infinity) continue
      const charged = hours[terms]! * rate * SLACK
      const other = (beside[region]! + licences) * rate * SLACK
      lanes.push({
        seller,
        region,
        terms,
        hours: charged,
        beside: other,
        bound: least * charged + other,
      })
    }
  }
  return lanes
}

function scanLane(question: SellerQuestion, lane: Lane, limit: number, see: SeeOffer): number {
  const { basis, sizes, blocks, choices, mostVcpu } = question
  const { columns } = basis
  const { seller, region, terms, hours, beside } = lane
  const firstBlock = (region * columns.terms.length + terms) * columns.blocks
  const most = mostVcpu[region]!
  let allowed = limit
  for (const { block, from, to } of blocks) {
    // Infinity, where none is sold, times no hours is no number: that is passed over too.
    if (!(columns.leastPerHour[firstBlock + block]! * hours + beside <= allowed)) continue
    for (let at = from; at < to; at += 1) {
      const size = sizes[at]!
      if (columns.sizes[size]!.vcpu > most) continue
      const cost = offerBound(question, region, terms, size)
      if (cost <= allowed) allowed = see(cost, seller, region, terms, size)
    }
  }
  for (const size of choices) {
    if (chosenVcpu(question, size) > most) continue
    const cost = offerBound(question, region, terms, size)
    if (cost <= allowed) allowed = see(cost, seller, region, terms, size)
  }
  return allowed
}

const chosenVcpu = ({ ways }: SellerQuestion, size: number): number =>
  ways.reduce((vcpu, { fitting }) => fitting.get(size)?.size.vcpu ?? vcpu, 0)
