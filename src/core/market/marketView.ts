import { withoutNeed } from '../fit/needId.ts'
import type { Machine } from '../machine/plan.ts'
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
import { hoursCurve, type HoursInputs, type HoursPoint } from './hoursCurve.ts'
import type { Market } from './market.ts'
import { marketInputs, withNeeds } from './marketInputs.ts'
import { needSavings, type NeedSaving } from './needSavings.ts'
import { OFFER_GROUPINGS, type OfferGrouping } from './offerGrouping.ts'
import { offerGroups } from './offerGroups.ts'
import { namedOffer, offerKey, type OfferName } from './offerName.ts'
import { offerMeasure } from './offerMeasure.ts'
import { offerRow, type OfferRow } from './offerRow.ts'
import { offerTotal, type MarketOffer } from './offerTotal.ts'
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
  /** What is listed, with what its rows were made of. */
  readonly cheapest: readonly MarketOffer[]
  readonly now: HoursInputs
  /** Curves that were worked out for a look before, by the key of the offer. */
  readonly curves: Map<string, readonly HoursPoint[]>
  readonly field: FieldOffers
  readonly scales: FieldScales
}

/** The best of more places or families than these is read by nobody. */
const MOST_GROUPS = 120

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
    bestOfEach(field, offerGroups(field, grouping), MOST_GROUPS).map(({ offer }) =>
      offerRow(offer.resolved, offer.total),
    )
  const ownMeasure = offerMeasure(resolved, total, measure, inputs.month)
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
    cheapest: listed,
    now: { resolved, month: inputs.month, shared: inputs.shared, exchange: { kind: 'same' } },
    curves: new Map(),
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
  /** What hours change: the machine as it is, what is looked at, and the cheapest that is paid for whatever its hours. */
  readonly hours: readonly OfferHours[]
  readonly scales: Omit<FieldScales, 'axis'>
}

export interface OfferHours {
  readonly key: string
  readonly row: OfferRow
  readonly points: readonly HoursPoint[]
}

/** O(offers that fit). */
export function marketView(solved: SolvedMarket, look: MarketLook): MarketView {
  const { offers, fitting, leftOut, listed, best, savings, scales, field } = solved
  const { axis, ...shown } = scales
  const place = placeInPart(scales, look.part)
  const placed = (row: OfferRow, measured: number | undefined): Placed => ({
    x: place.x(toNumber(row.total)),
    y: measured === undefined || Number.isNaN(measured) ? undefined : place.y(measured),
    row,
  })
  const found = look.picked && pickedOffer(solved, look.picked)
  const picked = found && offerRow(found.resolved, found.total)
  return {
    offers,
    fitting,
    leftOut,
    listed,
    best,
    savings,
    present: placed(solved.present, solved.ownMeasure),
    edge: solved.edge.map(({ measured, row }) => ({ ...placed(row, measured), measured })),
    picked: found && picked && placed(picked, measureOfPicked(solved, found)),
    marks: fieldMarks(field, scales, look),
    hours: hoursOf(solved, found ?? solved.cheapest[0]),
    scales: shown,
  }
}

/** What was picked, priced exactly; undefined where it is not sold, or does not fit. */
function pickedOffer({ asked }: SolvedMarket, name: OfferName): MarketOffer | undefined {
  const at = namedOffer(asked, name)
  return at && offerTotal(asked[at.seller]!, at)
}

function measureOfPicked({ asked, scales }: SolvedMarket, found: MarketOffer): number | undefined {
  const { month } = asked[found.seller]!.basis.seller
  return offerMeasure(found.resolved, found.total, scales.measure, month)
}

function hoursOf(
  { asked, cheapest, present, now, curves }: SolvedMarket,
  shown: MarketOffer | undefined,
): OfferHours[] {
  const curve = (row: OfferRow, inputs: HoursInputs): OfferHours => {
    const key = offerKey(row.machine)
    let points = curves.get(key)
    if (!points) curves.set(key, (points = hoursCurve(inputs)))
    return { key, row, points }
  }
  const isSteady = ({ on }: MarketOffer): boolean => on.kind === 'flat' || on.kind === 'commitment'
  const steady = cheapest.find((offer) => isSteady(offer) && offer !== shown)
  const others = [shown, steady].flatMap((offer) => {
    if (!offer) return []
    const { shared, month, exchange } = asked[offer.seller]!.basis.seller
    const { resolved, total } = offer
    return [curve(offerRow(resolved, total), { resolved, shared, month, exchange })]
  })
  const all = [curve(present, now), ...others]
  return all.filter(({ key }, at) => all.findIndex((each) => each.key === key) === at)
}
