import type { UserPlace } from '../machine/needs.ts'
import type { FieldMeasure } from './fieldMeasure.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'
import { lanesOf, scanOffers, type OfferAt } from './scanOffers.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/**
 * Everything that fits, as columns of numbers: what the field is drawn from, and what the edge and the best of each
 * group are found in. 24 bytes an offer.
 */
export interface FieldOffers {
  readonly questions: readonly SellerQuestion[]
  readonly count: number
  /** In the machine's currency; bounds, as `offerBound` has them. */
  readonly costs: Float64Array
  /** What the measure is of each; NaN where it is not known. */
  readonly measured: Float64Array
  readonly sellers: Uint16Array
  readonly regions: Uint16Array
  readonly terms: Uint16Array
  readonly sizes: Uint16Array
}

export const offerIn = ({ sellers, regions, terms, sizes }: FieldOffers, at: number): OfferAt => ({
  seller: sellers[at]!,
  region: regions[at]!,
  terms: terms[at]!,
  size: sizes[at]!,
})

/** O(offers that fit). */
export function fieldOffers(
  questions: readonly SellerQuestion[],
  measure: FieldMeasure,
  users: readonly UserPlace[],
): FieldOffers {
  const most = questions.reduce((sum, { basis }) => sum + basis.columns.sold, 0)
  const costs = new Float64Array(most)
  const measured = new Float64Array(most)
  const sellers = new Uint16Array(most)
  const regions = new Uint16Array(most)
  const terms = new Uint16Array(most)
  const sizes = new Uint16Array(most)
  const measures = questions.map((question) => measureOf(question, measure, users))
  let count = 0
  scanOffers(lanesOf(questions), Number.MAX_VALUE, (cost, seller, region, on, size) => {
    costs[count] = cost
    measured[count] = measures[seller]!(region, size)
    sellers[count] = seller
    regions[count] = region
    terms[count] = on
    sizes[count] = size
    count += 1
    return Number.MAX_VALUE
  })
  return { questions, count, costs, measured, sellers, regions, terms, sizes }
}

type Measured = (region: number, size: number) => number

function measureOf(
  { basis: { columns }, choiceWays }: SellerQuestion,
  measure: FieldMeasure,
  users: readonly UserPlace[],
): Measured {
  if (measure === 'round-trip') {
    const provider = columns.index.book.provider.id
    const trips = columns.regions.map((region) => longestRoundTrip(users, provider, region) ?? NaN)
    return (region) => trips[region]!
  }
  const figures = columns.sizes.map((size, at) => {
    const shaped = (size.choice && choiceWays.find(({ fitting }) => fitting(at))?.fitting(at)?.size) ?? size
    return measure === 'vcpu' ? shaped.vcpu : shaped.memoryGiB
  })
  return (_, size) => figures[size]!
}
