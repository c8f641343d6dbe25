import { compare } from '../quantity/exact.ts'
import { bestOfEach } from './bestOfEach.ts'
import { isLessBetter } from './fieldMeasure.ts'
import type { FieldOffers } from './fieldOffers.ts'
import { offerMeasure } from './offerMeasure.ts'
import { offerGroups } from './offerGroups.ts'
import type { MarketOffer } from './offerTotal.ts'

export interface EdgePoint {
  /** What the measure is of it. */
  readonly measured: number
  readonly offer: MarketOffer
}

/**
 * The offers to which no other is both cheaper (or as cheap) and better by the measure: the cheapest first, each further
 * one dearer and better. O(lanes + sizes) beside the pricing of the cheapest of each value of the measure.
 */
export function cheapestEdge(field: FieldOffers): EdgePoint[] {
  const { measure } = field
  const sign = isLessBetter(measure) ? 1 : -1
  const points = bestOfEach(field, offerGroups(field, 'measure')).flatMap(({ offer }): EdgePoint[] => {
    const { month } = field.questions[offer.seller]!.basis.seller
    const measured = offerMeasure(offer.resolved, offer.total, measure, month)
    return measured === undefined ? [] : [{ measured, offer }]
  })
  points.sort((a, b) => compare(a.offer.total, b.offer.total) || (a.measured - b.measured) * sign)
  const edge: EdgePoint[] = []
  for (const point of points) {
    const last = edge.at(-1)
    if (!last || (last.measured - point.measured) * sign > 0) edge.push(point)
  }
  return edge
}
