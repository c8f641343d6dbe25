import { fitReasons } from '../fit/fitReasons.ts'
import { membersByGroup } from '../machine/apart.ts'
import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { planTotals, shownInPlan } from '../meter/planTotals.ts'
import { add, compare, subtract, toNumber, ZERO, type Exact } from '../quantity/exact.ts'
import { losses, type Loss } from '../wholePlan/losses.ts'
import type { Market } from './market.ts'
import { groupCost, mixGroup, type MixGroup } from './mixGroup.ts'
import type { MixQuestion } from './mixQuestion.ts'
import { mixMover, moverCosts, type MixMover } from './mixMover.ts'
import { MixPlaces, type MixPlace } from './mixPlaces.ts'
import { offerRow, type OfferRow } from './offerRow.ts'
import type { MoversByPlace } from './offersAmong.ts'
import { PooledOffers } from './PooledOffers.ts'
import { cheapestPlaceSet, type PlaceCosts, type PlaceSetLimits } from './placeSet.ts'

/** Decimals of a plan’s total: it is the sum of what its machines show. */
const SHOWN = 2

interface MixMove {
  readonly name: string
  readonly row: OfferRow
  /** Its month now, and once all are moved, in the plan’s currency as shown; undefined where there is no rate. */
  readonly before: Exact | undefined
  readonly after: Exact | undefined
  /** Its month once all are moved, as its price book has it. */
  readonly inBook: { readonly total: Exact; readonly currency: string } | undefined
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
  /** What machines that stay cost more or less then, by what they share with those that move. */
  readonly stayDifference: Exact
  /** Machines that fit nowhere in it; its total is then of the others alone. */
  readonly missing: readonly string[]
  /** Nothing cheaper is possible at these places, and for the best at so few; else nothing cheaper was found. */
  readonly isExact: boolean
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
interface Moved extends MoversByPlace {
  readonly question: MixQuestion
  readonly places: MixPlaces
  readonly held: readonly string[]
  readonly currency: string
  readonly pooled: PooledOffers
}

/**
 * The cheapest way to run all machines of a plan at so few places and providers, and at each provider and place alone.
 * Each machine is priced exactly at each place that it fits, as the market has it. Where free hours are shared, a set of
 * places is priced as whole plans; what is shown always is. Never dearer than the plan as it is where that is of so few
 * places, nor than one of the alternatives. Yields after each machine, and while sets of places are looked through.
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
  const pooled = new PooledOffers({
    question,
    currency,
    movers,
    costs,
    groups,
    held: plan.machines.filter(({ name }) => heldAt.has(name)),
  })
  const moved: Moved = { question, places, held: [...heldAt.keys()], movers, costs, groups, currency, pooled }
  const found = yield* setsOf(
    {
      costs,
      providers: places.providers,
      held: [...new Set(heldAt.values())],
      together: [
        ...groups.map((group) => ({
          machines: group.movers,
          cost: (among: ReadonlySet<number>) => groupCost(group, among),
        })),
        ...pooled.together(),
      ],
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
  const byProvider = ofProvider.sort(fullFirst)
  const byPlace = singly.map((place) => mix([place])).sort(fullFirst)
  const best = found && mix(found.places)
  const asItIs = best && asPlanned(moved, now, best.isExact)
  return {
    currency,
    now,
    held: moved.held,
    best:
      best &&
      sureIf(
        pooled.isWhole,
        cheapestOf([best, ...(asItIs ? [asItIs] : []), ...byProvider, ...byPlace], question),
      ),
    byProvider,
    byPlace,
  }
}

const sureIf = (isWhole: boolean, mix: PlanMix): PlanMix => ({ ...mix, isExact: mix.isExact && isWhole })

/** Nothing moved, where all that could be moved fits as it is; as sure as the best is. */
function asPlanned(
  { question, places, movers, held }: Moved,
  total: Exact,
  isExact: boolean,
): PlanMix | undefined {
  const { machines } = question.plan
  if (movers.some(({ inputs }) => fitReasons(inputs.resolved).length > 0)) return undefined
  const used = new Set(
    machines.map(({ provider, region }) =>
      places.number(provider, region, () => ({ provider, place: region })),
    ),
  )
  const stay = [...held, ...movers.map(({ machine }) => machine.name)]
  return {
    places: [...used].map((place) => places.names[place]!),
    total,
    moves: [],
    stay,
    stayDifference: ZERO,
    missing: [],
    isExact,
  }
}

/** Of sets that hold all machines at so few places, the first of the cheapest. */
const cheapestOf = (
  [best, ...others]: readonly [PlanMix, ...PlanMix[]],
  { places, providers }: MixQuestion,
): PlanMix =>
  others
    .filter(
      (mix) =>
        mix.missing.length === 0 &&
        mix.places.length <= places &&
        new Set(mix.places.map(({ provider }) => provider)).size <= providers,
    )
    .reduce((low, mix) => (compare(mix.total, low.total) < 0 ? mix : low), best)

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

function mixOf(moved: Moved, among: readonly number[]): PlanMix {
  const { question, places, held, movers, currency, pooled } = moved
  const { offers, isExact } = pooled.among(among)
  const missing = movers.flatMap(({ machine }, at) => (offers[at] ? [] : [machine.name]))
  const without = new Set(missing)
  const forms = new Map(
    movers.flatMap(({ machine }, at) => (offers[at] ? [[machine.name, offers[at].machine]] : [])),
  )
  const kept = question.plan.machines.filter(({ name }) => !without.has(name))
  const before = monthsOf(question, question.plan.machines, currency)
  const after = monthsOf(
    question,
    kept.map((machine) => forms.get(machine.name) ?? machine),
    currency,
  )
  const used = new Set<number>()
  const moves: MixMove[] = []
  const stay = [...held]
  for (const [at, { machine, inputs }] of movers.entries()) {
    const offer = offers[at]
    if (!offer) continue
    const { name } = machine
    const { provider, region } = offer.machine
    used.add(places.number(provider, region, () => ({ provider, place: region })))
    if (JSON.stringify(offer.machine) === JSON.stringify(machine)) stay.push(name)
    else
      moves.push({
        name,
        row: offerRow(offer.resolved, offer.total),
        before: before.get(name)?.shown,
        after: after.get(name)?.shown,
        inBook: after.get(name),
        losses: losses(inputs.resolved, offer.resolved),
      })
  }
  const differenceOf = (name: string): Exact =>
    subtract(after.get(name)?.shown ?? ZERO, before.get(name)?.shown ?? ZERO)
  return {
    places: [...used].map((place) => places.names[place]!),
    total: [...after.values()].reduce<Exact>((sum, month) => add(sum, month?.shown ?? ZERO), ZERO),
    moves,
    stay,
    stayDifference: stay.reduce<Exact>((sum, name) => add(sum, differenceOf(name)), ZERO),
    missing,
    isExact,
  }
}

interface MixMonth {
  readonly total: Exact
  readonly currency: string
  /** In the plan's currency, as shown; undefined where there is no rate. */
  readonly shown: Exact | undefined
}

/** What each machine of a plan costs that has a price. */
function monthsOf(
  question: MixQuestion,
  machines: readonly Machine[],
  planCurrency: string,
): Map<string, MixMonth> {
  const plan = { ...question.plan, machines }
  const pricing = new PlanPricing({ ...question, plan })
  return new Map(
    machines.flatMap((machine): [string, MixMonth][] => {
      const result = pricing.of(machine)
      if (!result.ok) return []
      const { total, currency } = result.estimate
      const shown = shownInPlan(total, currency, planCurrency, plan, question.month, SHOWN)
      return [[machine.name, { total, currency, shown }]]
    }),
  )
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
