import type { Machine } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { hasPools } from '../meter/sharedAccount.ts'
import { planTotals } from '../meter/planTotals.ts'
import { MOST_DECIMALS } from '../quantity/decimal.ts'
import { toNumber } from '../quantity/exact.ts'
import { cheapestTogether, type Together, type TogetherOption } from './cheapestTogether.ts'
import type { MixGroup } from './mixGroup.ts'
import { moverCosts, type MixMover } from './mixMover.ts'
import type { MixQuestion } from './mixQuestion.ts'
import { offersAmong } from './offersAmong.ts'
import type { MarketOffer } from './offerTotal.ts'
import type { PlacedTogether } from './placeSet.ts'

interface PooledInputs {
  readonly question: MixQuestion
  readonly currency: string
  readonly movers: readonly MixMover[]
  /** By mover, by place: what its offer costs at the least. */
  readonly costs: readonly Float64Array[]
  readonly groups: readonly MixGroup[]
  /** Machines that cannot move. */
  readonly held: readonly Machine[]
}

export interface OffersAmong {
  /** By mover; undefined where it fits at none of the places. */
  readonly offers: readonly (MarketOffer | undefined)[]
  readonly isExact: boolean
}

/** So many whole plans are priced for one set of places, and for all of them. */
const MOST_OF_SET = 60
const MOST_IN_ALL = 800

/** The cheapest offers of all machines at some places, where what one costs can hang on the others by free allowances. */
export class PooledOffers {
  private readonly known = new Map<string, OffersAmong & { readonly cost: number }>()
  private readonly priced = new Map<string, number>()
  /** Movers that gain by a free allowance somewhere. */
  private readonly sharing: readonly number[]
  /** By mover, by place: if there were no free allowances. */
  private readonly most: readonly Float64Array[]
  /** Providers that give something away. */
  private readonly givers: ReadonlySet<string>
  private readonly order: ReadonlyMap<string, number>
  /** Every set of places that was looked at was looked at whole. */
  private isSure: boolean
  /** What machines that cannot move cost at the least there. */
  private readonly heldLeast: number

  constructor(private readonly inputs: PooledInputs) {
    const { movers, question, currency, costs, groups, held } = inputs
    this.order = new Map(question.plan.machines.map(({ name }, at) => [name, at]))
    this.givers = new Set(
      movers.flatMap(({ inputs: { resolved, shared, elsewhere = [] } }) =>
        [{ index: resolved.index, shared }, ...elsewhere].flatMap((seller) =>
          seller.shared && hasPools(seller.shared) ? [seller.index.book.provider.id] : [],
        ),
      ),
    )
    this.most = movers.map((mover, at) =>
      mover.withoutPools === mover.offers
        ? costs[at]!
        : moverCosts(
            mover,
            [...costs[at]!.keys()].map((place) => mover.withoutPools.get(place)),
            currency,
            question,
          ),
    )
    const grouped = new Set(groups.flatMap((group) => group.movers))
    const gaining = [...movers.keys()].filter((at) =>
      costs[at]!.some((least, place) => least < this.most[at]![place]!),
    )
    // Machines that are kept apart are placed as if they shared nothing.
    this.sharing = gaining.filter((at) => !grouped.has(at))
    this.isSure = this.sharing.length === gaining.length
    this.heldLeast =
      this.sharing.length === 0 ? 0 : this.atGivers(held).reduce((sum, each) => sum + this.priceOf([each]), 0)
  }

  /** What those that share cost together, for the search of places. */
  together(): PlacedTogether[] {
    if (this.sharing.length === 0) return []
    return [{ machines: this.sharing, cost: (among) => this.of([...among]).cost }]
  }

  /** Whether the cheapest of all that was looked at is the cheapest that there is. */
  get isWhole(): boolean {
    return this.isSure
  }

  among(places: readonly number[]): OffersAmong {
    return this.of(places)
  }

  private of(among: readonly number[]): OffersAmong & { readonly cost: number } {
    const key = [...among].sort((a, b) => a - b).join()
    let found = this.known.get(key)
    if (!found) this.known.set(key, (found = this.find(among)))
    return found
  }

  private find(among: readonly number[]): OffersAmong & { readonly cost: number } {
    const { movers, held } = this.inputs
    const offers = offersAmong(this.inputs, among)
    if (this.sharing.length === 0) return { offers, isExact: true, cost: 0 }
    const sharing = new Set(this.sharing)
    const others = movers.flatMap((_, at) => (sharing.has(at) ? [] : (offers[at]?.machine ?? [])))
    const around = this.atGivers([...held, ...others])
    const aroundLeast =
      this.heldLeast + this.atGivers(others).reduce((sum, each) => sum + this.priceOf([each]), 0)
    const fitting = this.sharing.filter((at) => offers[at])
    const options = fitting.map((at) => this.optionsOf(at, among))
    const leastOf = new Map(options.flatMap((of) => of.map(({ way, least }) => [way, least])))
    const best = this.search(options, (ways) => {
      const at = ways.filter(({ machine }) => this.givers.has(machine.provider))
      const elsewhere = ways.reduce(
        (sum, way) => (this.givers.has(way.machine.provider) ? sum : sum + leastOf.get(way)!),
        0,
      )
      return elsewhere + this.priceAtGivers([...around, ...at.map(({ machine }) => machine)]) - aroundLeast
    })
    if (best && !best.isExact) this.isSure = false
    fitting.forEach((at, i) => (offers[at] = best?.ways[i]))
    const isWhole = fitting.length === this.sharing.length
    return { offers, isExact: best?.isExact ?? true, cost: best && isWhole ? best.cost : Infinity }
  }

  private search(
    options: readonly TogetherOption<MarketOffer>[][],
    price: (ways: readonly MarketOffer[]) => number,
  ): Together<MarketOffer> | undefined {
    const left = MOST_IN_ALL - this.priced.size
    return cheapestTogether(options, price, Math.max(2, Math.min(MOST_OF_SET, left)))
  }

  /** What is best there with all that is free, and what is if nothing were. */
  private optionsOf(at: number, among: readonly number[]): TogetherOption<MarketOffer>[] {
    const { movers, costs } = this.inputs
    const mover = movers[at]!
    const found = new Map<string, TogetherOption<MarketOffer>>()
    for (const place of among) {
      const [least, most] = [costs[at]![place]!, this.most[at]![place]!]
      const note = (way: MarketOffer | undefined): void => {
        if (!way || least === Infinity) return
        const key = JSON.stringify(way.machine)
        if (!found.has(key)) found.set(key, { way, least, most })
      }
      note(mover.offers.get(place))
      note(mover.withoutPools.get(place))
    }
    return [...found.values()]
  }

  private atGivers(machines: readonly Machine[]): Machine[] {
    return machines.filter(({ provider }) => this.givers.has(provider))
  }

  private priceAtGivers(machines: readonly Machine[]): number {
    let sum = 0
    for (const giver of this.givers) {
      const there = machines.filter(({ provider }) => provider === giver)
      if (there.length > 0) sum += this.priceOf(there)
    }
    return sum
  }

  /** What machines of one provider cost together, in the plan's currency. */
  private priceOf(machines: readonly Machine[]): number {
    const inOrder = [...machines].sort((a, b) => this.order.get(a.name)! - this.order.get(b.name)!)
    const key = inOrder.map((machine) => JSON.stringify(machine)).join('\n')
    const known = this.priced.get(key)
    if (known !== undefined) return known
    const { question, currency } = this.inputs
    const plan = { ...question.plan, currency, machines: inOrder }
    const pricing = new PlanPricing({ ...question, plan })
    const estimates = inOrder.flatMap((machine) => {
      const result = pricing.of(machine)
      return result.ok ? [result.estimate] : []
    })
    const total = toNumber(planTotals(plan, estimates, question.month, MOST_DECIMALS).planned)
    this.priced.set(key, total)
    return total
  }
}
