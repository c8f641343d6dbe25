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
import { fieldMarks, type FieldMark, type MarkOptions } from './fieldMarks.ts'
import type { FieldMeasure } from './fieldMeasure.ts'
import { fieldOffers, type FieldOffers } from './fieldOffers.ts'
import { fieldScales, placeInPart, type FieldScales } from './fieldScales.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'
import type { Market } from './market.ts'
import { marketInputs, withNeeds } from './marketInputs.ts'
import { needSavings, type NeedSaving } from './needSavings.ts'
import { OFFER_GROUPINGS, type OfferGrouping } from './offerGrouping.ts'
import { offerGroups } from './offerGroups.ts'
import { namedOffer, type OfferName } from './offerName.ts'
import { offerRow, type OfferRow } from './offerRow.ts'
import { offerTotal } from './offerTotal.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/** What the market is asked about one machine of a plan. */
export interface MarketQuestion extends PlanPricingInputs, SearchOptions {
  /** As it stands, or with needs that are tried. */
  readonly machine: Machine
  readonly measure: FieldMeasure
  /** How many of the cheapest are listed. */
  readonly listed: number
}

/** What of it is looked at. */
export interface MarketLook extends MarkOptions {
  readonly picked?: OfferName | undefined
}

/** The answer to a question, from which every look at it is drawn: a window moves without anything being ranked again. */
export interface SolvedMarket {
  readonly offers: number
  readonly fitting: number
  readonly leftOut: readonly LeftOut[]
  readonly present: OfferRow
  readonly ownMeasure: number | undefined
  /** The cheapest, in exact order. */
  readonly listed: readonly OfferRow[]
  readonly best: Readonly<Record<OfferGrouping, readonly OfferRow[]>>
  /** Nothing is both cheaper and better by the measure; the cheapest first. */
  readonly edge: readonly { readonly measured: number; readonly row: OfferRow }[]
  readonly savings: readonly NeedSaving[]
  readonly asked: readonly SellerQuestion[]
  readonly field: FieldOffers
  readonly scales: FieldScales
}

/** Undefined where the machine itself has no price: then nothing can be set against it. O(offers that fit). */
export function solveMarket(market: Market, question: MarketQuestion): SolvedMarket | undefined {
  const { machine, measure, listed: most } = question
  const found = marketInputs(new PlanPricing(question), question.plan, machine)
  if (!found.ok) return undefined
  const { inputs, total } = found.value
  const { resolved } = inputs
  const asked = market.ask(inputs, question)
  const listed = cheapestOffers(asked, most)
  // What is too far is drawn all the same: it shows what distance costs.
  const limit = measure === 'round-trip' ? (machine.needs.roundTripMs ?? 0) : 0
  const wider =
    limit > 0 ? market.ask(withNeeds(inputs, withoutNeed(machine.needs, 'round-trip')), question) : asked
  const field = fieldOffers(wider, measure, resolved.users, limit)
  const bestBy = (grouping: OfferGrouping): OfferRow[] =>
    bestOfEach(field, offerGroups(field, grouping)).map(({ offer }) => offerRow(offer.resolved, offer.total))
  const ownMeasure = measureOf(resolved, measure)
  return {
    offers: asked.reduce((sum, { basis }) => sum + basis.columns.sold, 0),
    fitting: field.countInReach,
    leftOut: searchLeavesOut(inputs),
    present: offerRow(resolved, total),
    ownMeasure,
    listed: listed.map((offer) => offerRow(offer.resolved, offer.total)),
    best: Object.fromEntries(OFFER_GROUPINGS.map((grouping) => [grouping, bestBy(grouping)])) as Record<
      OfferGrouping,
      OfferRow[]
    >,
    edge: cheapestEdge(field).map(({ measured, offer }) => ({
      measured,
      row: offerRow(offer.resolved, offer.total),
    })),
    savings: needSavings(market, inputs, question, listed[0]?.total),
    asked,
    field,
    scales: fieldScales(field, toNumber(total), ownMeasure),
  }
}

/** By shares of the width and height of the part that is shown; outside of 0 to 1 where it does not stand in it. */
interface Placed {
  readonly x: number
  /** Undefined where its measure is not known. */
  readonly y: number | undefined
  readonly row: OfferRow
}

/** What a screen draws; plain data. */
export interface MarketView extends Pick<
  SolvedMarket,
  'offers' | 'fitting' | 'leftOut' | 'listed' | 'best' | 'savings'
> {
  readonly present: Placed
  readonly edge: readonly (Placed & { readonly measured: number })[]
  /** What was picked, where it fits. */
  readonly picked: Placed | undefined
  readonly marks: readonly FieldMark[]
  readonly scales: Omit<FieldScales, 'axis'>
}

/** O(offers that fit × log cells). */
export function marketView(solved: SolvedMarket, look: MarketLook): MarketView {
  const { offers, fitting, leftOut, listed, best, savings, scales, field } = solved
  const { axis, ...shown } = scales
  const place = placeInPart(scales, look.part)
  const placed = (row: OfferRow, measured: number | undefined): Placed => ({
    x: place.x(toNumber(row.total)),
    y: measured === undefined || Number.isNaN(measured) ? undefined : place.y(measured),
    row,
  })
  const picked = look.picked && pickedRow(solved, look.picked)
  return {
    offers,
    fitting,
    leftOut,
    listed,
    best,
    savings,
    present: placed(solved.present, solved.ownMeasure),
    edge: solved.edge.map(({ measured, row }) => ({ ...placed(row, measured), measured })),
    picked: picked && placed(picked, measureOfRow(picked, scales.measure)),
    marks: fieldMarks(field, scales, look),
    scales: shown,
  }
}

/** What was picked, priced exactly; undefined where it is not sold, or does not fit. */
function pickedRow({ asked }: SolvedMarket, name: OfferName): OfferRow | undefined {
  const at = namedOffer(asked, name)
  const offer = at && offerTotal(asked[at.seller]!, at)
  return offer && offerRow(offer.resolved, offer.total)
}

const measureOfRow = (
  { roundTripMs, vcpu, memoryGiB }: OfferRow,
  measure: FieldMeasure,
): number | undefined => (measure === 'round-trip' ? roundTripMs : measure === 'vcpu' ? vcpu : memoryGiB)

function measureOf(
  { users, index, region, size }: ResolvedMachine,
  measure: FieldMeasure,
): number | undefined {
  if (measure === 'round-trip') return longestRoundTrip(users, index.book.provider.id, region)
  return measure === 'vcpu' ? size.vcpu : size.memoryGiB
}
