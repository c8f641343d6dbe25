import { LeastFirst } from './LeastFirst.ts'
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
type SeeOffer = (cost: number, seller: number, region: number, terms: number, size: number) => number

/** Lanes and blocks are passed over by numbers that sum in another order: by so much they may be above an offer's. */
const SLACK = 1 - 1e-9

/** Every region on every terms of all sellers, as columns: what the scan goes along. Made once for a question. */
export interface Lanes {
  readonly questions: readonly SellerQuestion[]
  readonly sellers: Uint16Array
  readonly regions: Uint16Array
  readonly terms: Uint16Array
  /** The least hours that a price is charged for, and the least that comes beside, in the machine's currency. */
  readonly hours: Float64Array
  readonly beside: Float64Array
  /** Lanes by the least that anything in them can cost. */
  readonly order: LeastFirst
}

/** O(lanes); they are put in order as they are asked for. */
export function lanesOf(questions: readonly SellerQuestion[]): Lanes {
  const most = questions.reduce((sum, { basis }) => sum + basis.columns.lanes, 0)
  const bounds = new Float64Array(most)
  const lanes = {
    questions,
    sellers: new Uint16Array(most),
    regions: new Uint16Array(most),
    terms: new Uint16Array(most),
    hours: new Float64Array(most),
    beside: new Float64Array(most),
  }
  let count = 0
  for (const [seller, question] of questions.entries())
    count = addLanes(lanes, bounds, count, question, seller)
  return { ...lanes, order: new LeastFirst(bounds.subarray(0, count)) }
}

/**
 * Shows every offer that may cost no more than what `see` last answered, `limit` at first: lanes with the least bound
 * first, and in each the blocks of sizes that can come to it. O(lanes × blocks) at the most beside the offers that are seen.
 */
export function scanOffers(lanes: Lanes, limit: number, see: SeeOffer): void {
  const { order } = lanes
  let most = limit
  for (let rank = 0; rank < order.length; rank += 1) {
    const lane = order.at(rank)
    if (order.bounds[lane]! > most) return
    most = scanLane(lanes, lane, most, see)
  }
}

/** What every offer of a question costs at the least beside its price, and in how many hours that is charged. */
interface LeastOfAll {
  readonly hours: Float64Array
  readonly beside: Float64Array
}

function leastOfAll({ basis: { columns }, ways, choiceWays }: SellerQuestion): LeastOfAll {
  const hours = new Float64Array(columns.terms.length).fill(Infinity)
  const beside = new Float64Array(columns.regions.length).fill(Infinity)
  for (const { groups } of [...ways, ...choiceWays]) {
    for (const group of groups) {
      lower(hours, group.hours)
      lower(beside, group.beside)
    }
  }
  return { hours, beside }
}

function lower(least: Float64Array, all: Float64Array): void {
  for (let at = 0; at < all.length; at += 1) if (all[at]! < least[at]!) least[at] = all[at]!
}

function addLanes(
  { sellers, regions, terms, hours, beside }: Omit<Lanes, 'order'>,
  bounds: Float64Array,
  from: number,
  question: SellerQuestion,
  seller: number,
): number {
  const { basis, regionOpen, termsOpen, blocks, choices, rate } = question
  const { columns } = basis
  const least = leastOfAll(question)
  const first = blocks[0]?.block
  if (first === undefined && choices.length === 0) return from
  let at = from
  for (let region = 0; region < columns.regions.length; region += 1) {
    if (regionOpen[region] === 0 || least.beside[region] === Infinity) continue
    for (let on = 0; on < columns.terms.length; on += 1) {
      if (termsOpen[on] === 0 || least.hours[on] === Infinity) continue
      const lane = region * columns.terms.length + on
      // Sizes of free choice stand in no block.
      const perHour =
        choices.length > 0 || first === undefined ? 0 : columns.leastFrom[lane * columns.blocks + first]!
      if (perHour === Infinity) continue
      sellers[at] = seller
      regions[at] = region
      terms[at] = on
      hours[at] = least.hours[on]! * rate * SLACK
      beside[at] = least.beside[region]! * rate * SLACK
      bounds[at] = perHour * hours[at]! + beside[at]!
      at += 1
    }
  }
  return at
}

function scanLane(lanes: Lanes, lane: number, limit: number, see: SeeOffer): number {
  const seller = lanes.sellers[lane]!
  const region = lanes.regions[lane]!
  const terms = lanes.terms[lane]!
  const hours = lanes.hours[lane]!
  const beside = lanes.beside[lane]!
  const question = lanes.questions[seller]!
  const { basis, sizes, blocks, choices, mostVcpu } = question
  const { columns } = basis
  const firstBlock = (region * columns.terms.length + terms) * columns.blocks
  const most = mostVcpu[region]!
  let allowed = limit
  for (const { block, from, to } of blocks) {
    // Infinity, where none is sold, times no hours is no number: that is passed over too.
    if (!(columns.leastPerHour[firstBlock + block]! * hours + beside <= allowed)) continue
    for (let at = from; at < to; at += 1) {
      const size = sizes[at]!
      if (columns.vcpu[size]! > most) continue
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

const chosenVcpu = ({ choiceWays }: SellerQuestion, size: number): number =>
  choiceWays.reduce((vcpu, { fitting }) => fitting(size)?.size.vcpu ?? vcpu, 0)
