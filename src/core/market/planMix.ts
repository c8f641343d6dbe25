import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import { planTotals } from '../meter/planTotals.ts'
import { toNumber, type Exact } from '../quantity/exact.ts'
import type { SearchOptions } from '../search/searchedChoices.ts'
import { losses, type Loss } from '../wholePlan/losses.ts'
import { bestOfEach } from './bestOfEach.ts'
import { fieldOffers } from './fieldOffers.ts'
import type { Market } from './market.ts'
import { marketInputs } from './marketInputs.ts'
import { offerGroups } from './offerGroups.ts'
import { offerRow, type OfferRow } from './offerRow.ts'
import type { MarketOffer } from './offerTotal.ts'
import { cheapestPlaceSet, type PlaceCosts, type PlaceSetLimits } from './placeSet.ts'

/** Where else all machines of a plan could run. */
export interface MixQuestion extends Omit<PlanPricingInputs, 'plan'>, SearchOptions, PlaceSetLimits {
  readonly plan: Plan
}

/** Decimals of a plan’s total: it is the sum of what its machines show. */
const SHOWN = 2

interface MixMove {
  readonly name: string
  readonly row: OfferRow
  /** The machine’s month now, in the currency of the row. */
  readonly before: Exact
  readonly losses: readonly Loss[]
}

/** By the names of its book; ids where there is none. */
export interface MixPlace {
  readonly provider: string
  readonly place: string
}

/** A set of places, and every machine of the plan at one of them. */
export interface PlanMix {
  readonly places: readonly MixPlace[]
  /** The plan’s month as it would be shown, priced anew with what machines then share. */
  readonly total: Exact
  readonly moves: readonly MixMove[]
  /** Machines that stay as they are. */
  readonly stay: readonly string[]
  /** Machines that fit nowhere in it; its total is then of the others alone. */
  readonly missing: readonly string[]
}

export interface MixAnswer {
  readonly currency: string
  readonly now: Exact
  /** Machines that are pinned to where they are, or of which nothing is known. */
  readonly held: readonly string[]
  /** Undefined where no so few places hold all machines. */
  readonly best: PlanMix | undefined
  /** All at one provider, and all at one place: the cheapest first, then those that cannot hold all. */
  readonly byProvider: readonly PlanMix[]
  readonly byPlace: readonly PlanMix[]
}

export type MixStep =
  | { readonly kind: 'machines'; readonly done: number; readonly of: number }
  | { readonly kind: 'sets'; readonly looked: number }

/** More places than these are not listed one by one. */
const MOST_LISTED = 12

interface Mover {
  readonly machine: Machine
  readonly before: Exact
  readonly resolved: MarketOffer['resolved']
  /** The cheapest at each place, by the place’s number. */
  readonly offers: ReadonlyMap<number, MarketOffer>
}

/**
 * The cheapest way to run all machines of a plan at so few places and providers, and at each provider and place alone.
 * Each machine is priced exactly at each place that it fits, as the market has it; what is shown is priced as a plan. Yields
 * after each machine, and while sets of places are looked through.
 */
export function* planMix(market: Market, question: MixQuestion): Generator<MixStep, MixAnswer> {
  const { plan } = question
  const pricing = new PlanPricing(question)
  const places = new Places()
  const movers: Mover[] = []
  const held: string[] = []
  const heldAt = new Set<number>()
  for (const [done, machine] of plan.machines.entries()) {
    yield { kind: 'machines', done, of: plan.machines.length }
    const mover = moverOf(market, question, pricing, machine, places)
    if (mover && mover.offers.size > 0) movers.push(mover)
    else {
      held.push(machine.name)
      const { provider, region } = machine
      heldAt.add(places.number(provider, region, () => ({ provider, place: region })))
    }
  }
  yield { kind: 'machines', done: plan.machines.length, of: plan.machines.length }
  const { currency, planned: now } = totalsOf(question, plan.machines)
  const costs = movers.map((mover) => costsAt(mover, places.length, currency, question))
  const priced: PlaceCosts = { costs, providers: places.providers, held: [...heldAt] }
  const found = yield* setsOf(priced, question)
  const mix = (among: readonly number[]): PlanMix => mixOf(question, movers, held, costs, places, among)
  const ofProvider = [...new Set(places.providers)].map((provider) =>
    mix([...places.providers.keys()].filter((place) => places.providers[place] === provider)),
  )
  const singly = [...places.providers.keys()]
    .sort((a, b) => costAt(costs, [a]) - costAt(costs, [b]))
    .slice(0, MOST_LISTED)
  return {
    currency,
    now,
    held,
    best: found && mix(found.places),
    byProvider: ofProvider.sort(fullFirst),
    byPlace: singly.map((place) => mix([place])).sort(fullFirst),
  }
}

function* setsOf(
  costs: PlaceCosts,
  limits: PlaceSetLimits,
): Generator<MixStep, { readonly places: readonly number[] } | undefined> {
  const steps = cheapestPlaceSet(costs, limits)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    yield { kind: 'sets', looked: step.value }
  }
}

const fullFirst = (a: PlanMix, b: PlanMix): number =>
  a.missing.length - b.missing.length || toNumber(a.total) - toNumber(b.total)

/** Places by number, as machines come upon them. */
class Places {
  readonly providers: number[] = []
  readonly names: MixPlace[] = []
  private readonly known = new Map<string, number>()
  private readonly sellers = new Map<string, number>()

  get length(): number {
    return this.providers.length
  }

  number(provider: string, region: string, name: () => MixPlace): number {
    const key = `${provider}/${region}`
    let number = this.known.get(key)
    if (number === undefined) {
      this.known.set(key, (number = this.providers.length))
      if (!this.sellers.has(provider)) this.sellers.set(provider, this.sellers.size)
      this.providers.push(this.sellers.get(provider)!)
      this.names.push(name())
    }
    return number
  }
}

function moverOf(
  market: Market,
  question: MixQuestion,
  pricing: PlanPricing,
  machine: Machine,
  places: Places,
): Mover | undefined {
  const found = marketInputs(pricing, question.plan, machine)
  if (!found.ok) return undefined
  const { inputs, total: before } = found.value
  const field = fieldOffers(market.ask(inputs, question), 'vcpu', [])
  const best = bestOfEach(field, offerGroups(field, 'place'))
  const offers = new Map(
    best.map(({ offer }) => {
      const { machine: moved, place, resolved } = offer
      const provider = resolved.index.book.provider.name
      const name = (): MixPlace => ({ provider, place: place.region.name })
      return [places.number(moved.provider, moved.region, name), offer] as const
    }),
  )
  return { machine, before, resolved: inputs.resolved, offers }
}

/** In the plan’s currency; Infinity where it does not fit, and where its currency has no rate. */
function costsAt(
  { resolved, offers }: Mover,
  places: number,
  currency: string,
  question: MixQuestion,
): Float64Array {
  const { plan, month } = question
  const exchange = exchangeFor(resolved.index.book.currency, currency, plan.exchangeRates, month)
  const costs = new Float64Array(places).fill(Infinity)
  for (const [place, { total }] of offers) {
    const inPlan = exchanged(total, exchange)
    if (inPlan) costs[place] = toNumber(inPlan)
  }
  return costs
}

const costAt = (costs: readonly Float64Array[], among: readonly number[]): number =>
  costs.reduce((sum, of) => sum + Math.min(1e12, ...among.map((place) => of[place]!)), 0)

function mixOf(
  question: MixQuestion,
  movers: readonly Mover[],
  held: readonly string[],
  costs: readonly Float64Array[],
  places: Places,
  among: readonly number[],
): PlanMix {
  const moves: MixMove[] = []
  const stay = [...held]
  const missing: string[] = []
  const forms = new Map<string, Machine>()
  const used = new Set<number>()
  for (const [at, { machine, before, resolved, offers }] of movers.entries()) {
    const place = among.reduce((low, each) => (costs[at]![each]! < costs[at]![low]! ? each : low), among[0]!)
    const offer = costs[at]![place]! < Infinity ? offers.get(place) : undefined
    if (!offer) {
      missing.push(machine.name)
      continue
    }
    used.add(place)
    forms.set(machine.name, offer.machine)
    if (JSON.stringify(offer.machine) === JSON.stringify(machine)) stay.push(machine.name)
    else
      moves.push({
        name: machine.name,
        row: offerRow(offer.resolved, offer.total),
        before,
        losses: losses(resolved, offer.resolved),
      })
  }
  const without = new Set(missing)
  const machines = question.plan.machines.flatMap((machine) =>
    without.has(machine.name) ? [] : (forms.get(machine.name) ?? machine),
  )
  return {
    places: [...used].map((place) => places.names[place]!),
    total: totalsOf(question, machines).planned,
    moves,
    stay,
    missing,
  }
}

/** The plan with other machines, as its total would be shown. */
function totalsOf(question: MixQuestion, machines: readonly Machine[]): { currency: string; planned: Exact } {
  const plan = { ...question.plan, machines }
  const pricing = new PlanPricing({ ...question, plan })
  const estimates = machines.flatMap((machine) => {
    const result = pricing.of(machine)
    return result.ok ? [result.estimate] : []
  })
  return planTotals(plan, estimates, question.month, SHOWN)
}
