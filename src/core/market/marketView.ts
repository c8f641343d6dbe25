import { withoutNeed } from '../fit/needId.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { toNumber } from '../quantity/exact.ts'
import { searchLeavesOut, type LeftOut } from '../search/cheapestFit.ts'
import type { SearchOptions } from '../search/searchedChoices.ts'
import { bestOfEach } from './bestOfEach.ts'
import { cheapestEdge } from './cheapestEdge.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { fieldMarks, type FieldMark } from './fieldMarks.ts'
import { fieldOffers, type FieldMeasure } from './fieldOffers.ts'
import { fieldScales, placeInPart, type FieldPart, type FieldScales } from './fieldScales.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'
import type { Market } from './market.ts'
import { marketInputs, withNeeds } from './marketInputs.ts'
import { needSavings, type NeedSaving } from './needSavings.ts'
import { OFFER_GROUPINGS, offerGroups, type OfferGrouping } from './offerGroups.ts'
import { offerRow, type OfferRow } from './offerRow.ts'

/** What the market is asked about one machine of a plan. */
export interface MarketQuestion extends PlanPricingInputs, SearchOptions {
  /** As it stands, or with needs that are tried. */
  readonly machine: Machine
  readonly measure: FieldMeasure
  readonly part: FieldPart
  /** Marks that stand beside and above each other at the most. */
  readonly columns: number
  readonly rows: number
  /** How many of the cheapest are listed. */
  readonly listed: number
}

/** By shares of the width and height of the part that is shown. */
interface Placed {
  readonly x: number
  readonly y: number
}

export interface EdgeMark extends Placed {
  readonly measured: number
  readonly row: OfferRow
}

export interface MarketView {
  /** All that is sold, and what of it fits. */
  readonly offers: number
  readonly fitting: number
  readonly leftOut: readonly LeftOut[]
  readonly present: { readonly row: OfferRow; readonly x: number; readonly y: number | undefined }
  /** The cheapest, in exact order. */
  readonly listed: readonly OfferRow[]
  readonly best: Readonly<Record<OfferGrouping, readonly OfferRow[]>>
  /** Nothing is both cheaper and better by the measure; the cheapest first. */
  readonly edge: readonly EdgeMark[]
  readonly savings: readonly NeedSaving[]
  readonly marks: readonly FieldMark[]
  readonly scales: Omit<FieldScales, 'axis'>
}

/** Undefined where the machine itself has no price: then nothing can be set against it. O(offers that fit). */
export function marketView(market: Market, question: MarketQuestion): MarketView | undefined {
  const { machine, measure, part, listed: most } = question
  const found = marketInputs(new PlanPricing(question), question.plan, machine)
  if (!found.ok) return undefined
  const { inputs, total } = found.value
  const { resolved } = inputs
  const { users } = resolved
  const asked = market.ask(inputs, question)
  const listed = cheapestOffers(asked, most)
  // What is too far is drawn all the same: it shows what distance costs.
  const limit = measure === 'round-trip' ? (machine.needs.roundTripMs ?? 0) : 0
  const wider =
    limit > 0 ? market.ask(withNeeds(inputs, withoutNeed(machine.needs, 'round-trip')), question) : asked
  const field = fieldOffers(wider, measure, users)
  const isIn = (at: number): boolean => limit === 0 || !(field.measured[at]! > limit)
  const own = ownMeasure(resolved, measure)
  const scales = fieldScales(measure, toNumber(total), field, own)
  const place = placeInPart(scales, part)
  const bestBy = (grouping: OfferGrouping): OfferRow[] =>
    bestOfEach(field, offerGroups(field, grouping, isIn)).map(({ offer }) =>
      offerRow(offer.resolved, offer.total),
    )
  const { axis: _, ...shown } = scales
  return {
    offers: asked.reduce((sum, { basis }) => sum + basis.columns.sold, 0),
    fitting: countIn(field.count, isIn),
    leftOut: searchLeavesOut(inputs),
    present: {
      row: offerRow(resolved, total),
      x: place.x(toNumber(total)),
      y: own === undefined ? undefined : place.y(own),
    },
    listed: listed.map((offer) => offerRow(offer.resolved, offer.total)),
    best: Object.fromEntries(OFFER_GROUPINGS.map((grouping) => [grouping, bestBy(grouping)])) as Record<
      OfferGrouping,
      OfferRow[]
    >,
    edge: cheapestEdge(field, measure, isIn).map(({ measured, offer }) => ({
      x: place.x(toNumber(offer.total)),
      y: place.y(measured),
      measured,
      row: offerRow(offer.resolved, offer.total),
    })),
    savings: needSavings(market, inputs, question, listed[0]?.total),
    marks: fieldMarks(field, scales, question, isIn),
    scales: shown,
  }
}

function ownMeasure(
  { users, index, region, size }: ResolvedMachine,
  measure: FieldMeasure,
): number | undefined {
  if (measure === 'round-trip') return longestRoundTrip(users, index.book.provider.id, region)
  return measure === 'vcpu' ? size.vcpu : size.memoryGiB
}

function countIn(count: number, isIn: (at: number) => boolean): number {
  let found = 0
  for (let at = 0; at < count; at += 1) if (isIn(at)) found += 1
  return found
}
