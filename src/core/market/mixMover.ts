import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlanPricing } from '../meter/planPricing.ts'
import { accountWithoutPools, hasPools, unusedAccount, type SharedAccount } from '../meter/sharedAccount.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { toNumber, type Exact } from '../quantity/exact.ts'
import { bestOfEach } from './bestOfEach.ts'
import { fieldOffers } from './fieldOffers.ts'
import type { Market } from './market.ts'
import { marketInputs } from './marketInputs.ts'
import type { MixPlaces } from './mixPlaces.ts'
import { offerGroups } from './offerGroups.ts'
import type { MarketOffer } from './offerTotal.ts'
import type { MixQuestion } from './mixQuestion.ts'

/** A machine that can stand at several places, priced at each of them. */
export interface MixMover {
  readonly machine: Machine
  /** Its month as it is, in the currency of its price book. */
  readonly before: Exact
  readonly inputs: PlatesInputs
  /**
   * The cheapest at each place, by the place's number; as if it were in no group, and as if nobody else used the free
   * allowances there: never dearer than it is among others.
   */
  readonly offers: ReadonlyMap<number, MarketOffer>
  /** The cheapest at each place if there were no free allowances; the same where there are none. */
  readonly withoutPools: ReadonlyMap<number, MarketOffer>
}

/** Undefined for a machine of which nothing is known, and for one that fits nowhere. */
export function mixMover(
  market: Market,
  question: MixQuestion,
  pricing: PlanPricing,
  machine: Machine,
  places: MixPlaces,
): MixMover | undefined {
  const found = marketInputs(pricing, question.plan, machine)
  if (!found.ok) return undefined
  const { total: before } = found.value
  // The others of its group may move too: where they stand now closes nothing.
  const { apart, ...resolved } = found.value.inputs.resolved
  const inputs = { ...found.value.inputs, resolved }
  const offers = offersByPlace(market, question, withAccounts(inputs, unusedAccount), places)
  if (offers.size === 0) return undefined
  const sellers = [inputs.shared, ...(inputs.elsewhere ?? []).map(({ shared }) => shared)]
  const withoutPools = sellers.some((shared) => shared && hasPools(shared))
    ? offersByPlace(market, question, withAccounts(inputs, accountWithoutPools), places)
    : offers
  return { machine, before, inputs, offers, withoutPools }
}

/** The same question with what is shared at each provider changed. */
const withAccounts = (
  inputs: PlatesInputs,
  change: (shared: SharedAccount) => SharedAccount,
): PlatesInputs => ({
  ...inputs,
  shared: inputs.shared && change(inputs.shared),
  elsewhere: (inputs.elsewhere ?? []).map((seller) => ({
    ...seller,
    shared: seller.shared && change(seller.shared),
  })),
})

/** The cheapest that fits at each place, priced exactly. */
export function offersByPlace(
  market: Market,
  question: MixQuestion,
  inputs: PlatesInputs,
  places: MixPlaces,
): ReadonlyMap<number, MarketOffer> {
  const field = fieldOffers(market.ask(inputs, question), 'vcpu', [])
  return new Map(
    bestOfEach(field, offerGroups(field, 'place')).map(({ offer }) => {
      const { machine, place, resolved } = offer
      const provider = resolved.index.book.provider.name
      const name = () => ({ provider, place: place.region.name })
      return [places.number(machine.provider, machine.region, name), offer] as const
    }),
  )
}

/** What offers cost in the plan's currency, as floating numbers; Infinity where there is no rate. */
export function moverCosts(
  { inputs }: MixMover,
  offers: readonly (MarketOffer | undefined)[],
  currency: string,
  { plan, month }: MixQuestion,
): Float64Array {
  const { currency: own } = inputs.resolved.index.book
  const exchange = exchangeFor(own, currency, plan.exchangeRates, month)
  return Float64Array.from(offers, (offer) => {
    const inPlan = offer && exchanged(offer.total, exchange)
    return inPlan ? toNumber(inPlan) : Infinity
  })
}
