import { membersByGroup } from '../machine/apart.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { planTotals } from '../meter/planTotals.ts'
import { toNumber, type Exact } from '../quantity/exact.ts'
import { losses, type Loss } from '../wholePlan/losses.ts'
import { apartSeating } from './apartSeating.ts'
import type { Market } from './market.ts'
import { groupCost, mixGroup, type MixGroup } from './mixGroup.ts'
import type { MixQuestion } from './mixQuestion.ts'
import { mixMover, moverCosts, type MixMover } from './mixMover.ts'
import { MixPlaces, type MixPlace } from './mixPlaces.ts'
import { offerRow, type OfferRow } from './offerRow.ts'
import type { MarketOffer } from './offerTotal.ts'
import { cheapestPlaceSet, type PlaceCosts, type PlaceSetLimits } from './placeSet.ts'

/** Decimals of a plan’s total: it is the sum of what its machines show. */
const SHOWN = 2

interface MixMove {
  readonly name: string
  readonly row: OfferRow
  /** The machine’s month now, in the currency of the row. */
  readonly before: Exact
  readonly losses: readonly Loss[]
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

/** All that is moved about, and what it costs where. */
interface Moved {
  readonly question: MixQuestion
  readonly places: MixPlaces
  readonly held: readonly string[]
  readonly movers: readonly MixMover[]
  /** By mover: by place. */
  readonly costs: readonly Float64Array[]
  readonly groups: readonly MixGroup[]
}

/**
 * The cheapest way to run all machines of a plan at so few places and providers, and at each provider and place alone.
 * Each machine is priced exactly at each place that it fits, as the market has it; what is shown is priced as a plan. Yields
 * after each machine, and while sets of places are looked through.
 */
export function* planMix(market: Market, question: MixQuestion): Generator<MixStep, MixAnswer> {
  const { plan } = question
  const pricing = new PlanPricing(question)
  const places = new MixPlaces()
  const movers: MixMover[] = []
  const heldAt = new Map<string, number>()
  for (const [done, machine] of plan.machines.entries()) {
    yield { kind: 'machines', done, of: plan.machines.length }
    const mover = mixMover(market, question, pricing, machine, places)
    if (mover) movers.push(mover)
    else {
      const { name, provider, region } = machine
      heldAt.set(
        name,
        places.number(provider, region, () => ({ provider, place: region })),
      )
    }
  }
  yield { kind: 'machines', done: plan.machines.length, of: plan.machines.length }
  const { currency, planned: now } = totalsOf(question, plan.machines)
  const groups = groupsOf(market, question, movers, heldAt, places, currency)
  const costs = movers.map((mover) =>
    moverCosts(
      mover,
      [...places.providers.keys()].map((place) => mover.offers.get(place)),
      currency,
      question,
    ),
  )
  const moved: Moved = { question, places, held: [...heldAt.keys()], movers, costs, groups }
  const found = yield* setsOf(
    {
      costs,
      providers: places.providers,
      held: [...new Set(heldAt.values())],
      together: groups.map((group) => ({
        machines: group.movers,
        cost: (among) => groupCost(group, among),
      })),
    },
    question,
  )
  const mix = (among: readonly number[]): PlanMix => mixOf(moved, among)
  const ofProvider = [...new Set(places.providers)].map((provider) =>
    mix([...places.providers.keys()].filter((place) => places.providers[place] === provider)),
  )
  const singly = [...places.providers.keys()]
    .sort((a, b) => costAt(costs, [a]) - costAt(costs, [b]))
    .slice(0, MOST_LISTED)
  return {
    currency,
    now,
    held: moved.held,
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

const costAt = (costs: readonly Float64Array[], among: readonly number[]): number =>
  costs.reduce((sum, of) => sum + Math.min(1e12, ...among.map((place) => of[place]!)), 0)

/** Of each group: its machines that can move, with those that cannot in their zones. */
function groupsOf(
  market: Market,
  question: MixQuestion,
  movers: readonly MixMover[],
  heldAt: ReadonlyMap<string, number>,
  places: MixPlaces,
  currency: string,
): MixGroup[] {
  const { apartGroups = [], machines } = question.plan
  return apartGroups.flatMap((group) => {
    const members = membersByGroup(machines).get(group.name) ?? []
    const held = members.flatMap((machine) => {
      const at = heldAt.get(machine.name)
      return at === undefined ? [] : [{ ...machine, at }]
    })
    const moving = movers.flatMap((mover, at) => (members.includes(mover.machine) ? [{ ...mover, at }] : []))
    if (moving.length === 0) return []
    return [mixGroup(market, question, group, moving, held, places, currency)]
  })
}

/** The cheapest offer of each mover at some of the places; undefined where it fits at none of them. */
function offersAmong(
  { movers, costs, groups }: Moved,
  among: readonly number[],
): (MarketOffer | undefined)[] {
  const offers = movers.map(({ offers }, at) => {
    const place = among.reduce((low, each) => (costs[at]![each]! < costs[at]![low]! ? each : low), among[0]!)
    return costs[at]![place]! < Infinity ? offers.get(place) : undefined
  })
  for (const group of groups) {
    const { seats } = apartSeating(group.seats, new Set(among))
    group.movers.forEach((mover, i) => (offers[mover] = group.offers[i]![seats[i]!]))
  }
  return offers
}

function mixOf(moved: Moved, among: readonly number[]): PlanMix {
  const { question, places, held, movers } = moved
  const moves: MixMove[] = []
  const stay = [...held]
  const missing: string[] = []
  const forms = new Map<string, Machine>()
  const used = new Set<number>()
  const offers = offersAmong(moved, among)
  for (const [at, { machine, before, inputs }] of movers.entries()) {
    const offer = offers[at]
    if (!offer) {
      missing.push(machine.name)
      continue
    }
    const { provider, region } = offer.machine
    const place = places.number(provider, region, () => ({ provider, place: region }))
    used.add(place)
    forms.set(machine.name, offer.machine)
    if (JSON.stringify(offer.machine) === JSON.stringify(machine)) stay.push(machine.name)
    else
      moves.push({
        name: machine.name,
        row: offerRow(offer.resolved, offer.total),
        before,
        losses: losses(inputs.resolved, offer.resolved),
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
