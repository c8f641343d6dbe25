import type { UserPlace } from '../machine/needs.ts'
import type { FieldMeasure } from './fieldMeasure.ts'
import { laneCosts } from './laneCosts.ts'
import { measureOfLane } from './measureOfLane.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'
import type { OfferAt } from './scanOffers.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/**
 * Everything that fits, as columns of numbers: what the field is drawn from, and what the edge and the best of each group
 * are found in. Eight bytes an offer: which one it is, and its measure, follow from where it stands.
 */
export interface FieldOffers {
  readonly questions: readonly SellerQuestion[]
  readonly measure: FieldMeasure
  /** Offers that fit; those farther away than is allowed among them. */
  readonly count: number
  readonly countInReach: number
  readonly lanes: readonly FieldLane[]
  /** By seller: positions of its fitting sizes, in the order in which each of its lanes has them. */
  readonly sizes: readonly Int32Array[]
  /** Lane after lane, size after size, in the machine's currency: bounds, as `offerBound` has them. Above every number where there is none. */
  readonly costs: Float64Array
  /** By seller and fitting size, over all lanes in reach; Infinity where there is none. */
  readonly leastOfSizes: readonly Float64Array[]
  readonly cheapest: number
  readonly dearest: number
}

/** A region on some terms of one seller. */
export interface FieldLane {
  readonly seller: number
  readonly region: number
  readonly terms: number
  /** Where its costs begin. */
  readonly start: number
  /** The least of them. */
  readonly least: number
  /** What all of it have of a measure that goes by places or terms; NaN where nobody knows, and for other measures. */
  readonly measured: number
  readonly isInReach: boolean
}

/** O(offers that fit). Nothing is out of reach where `limitMs` is 0, and what is not known to be. */
export function fieldOffers(
  questions: readonly SellerQuestion[],
  measure: FieldMeasure,
  users: readonly UserPlace[],
  limitMs = 0,
): FieldOffers {
  const sizes = questions.map((question) => Int32Array.from([...question.sizes, ...question.choices]))
  const costs = new Float64Array(
    questions.reduce((sum, question, seller) => sum + openLanes(question) * sizes[seller]!.length, 0),
  )
  const leastOfSizes = sizes.map(({ length }) => new Float64Array(length).fill(Infinity))
  const found = { count: 0, countInReach: 0, cheapest: Infinity, dearest: -Infinity }
  const lanes: FieldLane[] = []
  let start = 0
  for (const [seller, question] of questions.entries()) {
    const { basis, regionOpen, termsOpen } = question
    const { regions, terms, index } = basis.columns
    const length = sizes[seller]!.length
    for (const [region, place] of regions.entries()) {
      if (regionOpen[region] === 0) continue
      const roundTripMs = longestRoundTrip(users, index.book.provider.id, place) ?? NaN
      const isInReach = limitMs === 0 || !(roundTripMs > limitMs)
      for (let on = 0; on < terms.length; on += 1) {
        if (termsOpen[on] === 0) continue
        laneCosts(question, region, on, costs, start)
        const measured = measureOfLane(basis.columns, measure, region, on, roundTripMs)
        const lane = { seller, region, terms: on, start, measured, isInReach }
        lanes.push({ ...lane, least: lookThrough(costs, lane, leastOfSizes[seller]!, found) })
        start += length
      }
    }
  }
  return { questions, measure, lanes, sizes, costs, leastOfSizes, ...found }
}

const openLanes = ({ regionOpen, termsOpen }: SellerQuestion): number => ones(regionOpen) * ones(termsOpen)

const ones = (flags: Uint8Array): number => flags.reduce((sum, flag) => sum + flag, 0)

/** Counts what a lane has, and answers its least cost. */
function lookThrough(
  costs: Float64Array,
  { start, isInReach }: Pick<FieldLane, 'start' | 'isInReach'>,
  leastOfSizes: Float64Array,
  found: { count: number; countInReach: number; cheapest: number; dearest: number },
): number {
  let least = Infinity
  let dearest = -Infinity
  let count = 0
  for (let at = 0; at < leastOfSizes.length; at += 1) {
    const cost = costs[start + at]!
    if (!(cost < Infinity)) continue
    count += 1
    if (cost < least) least = cost
    if (cost > dearest) dearest = cost
    if (isInReach && cost < leastOfSizes[at]!) leastOfSizes[at] = cost
  }
  found.count += count
  if (isInReach) found.countInReach += count
  if (least < found.cheapest) found.cheapest = least
  if (dearest > found.dearest) found.dearest = dearest
  return least
}

export const offerIn = (
  { sizes }: FieldOffers,
  { seller, region, terms }: FieldLane,
  at: number,
): OfferAt => ({ seller, region, terms, size: sizes[seller]![at]! })
