import { akinImage } from '../machine/akinImage.ts'
import { carryOver } from '../carry/carryOver.ts'
import { zoneReason } from '../fit/apartChecks.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { fitReasons, placeReasons } from '../fit/fitReasons.ts'
import { type Choice, applyChoice, choiceKey } from '../decisions/choice.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import { addressRate } from '../catalogue/regionRates.ts'
import type { Decision } from '../machine/decision.ts'
import { changesBetween } from '../machine/forcedChange.ts'
import { NearestSizes } from '../carry/nearestSizes.ts'
import { exchanged, type Exchange } from '../machine/exchange.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import { subtract, type Exact } from '../quantity/exact.ts'
import { keptDecisions } from '../decisions/keptDecisions.ts'
import { ownProvider } from './pricedProvider.ts'
import { isClosed, type Carried, type Notch, type PlatesInputs } from './plate.ts'

type PlaceChoice = Extract<Choice, { decision: 'place' }>

/**
 * The places of the machine's own provider, those that it does not fit in as it is carried over where that can be, and
 * all places of the other providers.
 */
export function carriedPlaces(
  inputs: PlatesInputs,
  within: readonly Notch[],
  present: Exact | undefined,
): Notch[] {
  const { elsewhere = [] } = inputs
  const carryHome = new CarryOver(inputs, ownProvider(inputs))
  const at = within.map((notch) => {
    return isClosed(notch) ? carryHome.notch(notch.choice as PlaceChoice, present, notch) : notch
  })
  const away = elsewhere.flatMap((seller) => {
    const carry = new CarryOver(inputs, seller)
    const { book } = seller.index
    return book.regions.flatMap(({ id, zones }) =>
      zones.map((zone) =>
        carry.notch({ decision: 'place', provider: book.provider.id, region: id, zone }, present),
      ),
    )
  })
  return [...at, ...away]
}

/** Carries one machine to places of one provider; what is the same for all of them is found once. */
class CarryOver {
  private readonly kept: ReadonlySet<Decision>
  private readonly tolerated: ReadonlySet<FitReason['code']>
  private readonly sizes: NearestSizes | undefined

  constructor(
    private readonly inputs: PlatesInputs,
    private readonly seller: PricedProvider,
  ) {
    const { resolved } = inputs
    const { machine, size } = resolved
    this.kept = keptDecisions(machine, 'place')
    this.tolerated = new Set(fitReasons(resolved).map(({ code }) => code))
    const image = akinImage(machine.image, seller.index)
    this.sizes = image && new NearestSizes(machine, image, seller.index, size, resolved.held)
  }

  notch(choice: PlaceChoice, present: Exact | undefined, closed?: Notch): Notch {
    const key = choiceKey(choice)
    const carried = this.carry(choice)
    if (!('machine' in carried)) return closed ?? shut(key, choice, this.seller.index, carried.reasons)
    const { month, shared, exchange } = this.seller
    const inItsCurrency = machineTotal(carried.resolved, month, shared)
    const total = inItsCurrency && exchanged(inItsCurrency, exchange)
    if (!total) return closed ?? shut(key, choice, this.seller.index, noRate(exchange))
    const difference = present && subtract(total, present)
    return { key, choice, isPresent: false, total, difference, reasons: [], carried }
  }

  private carry(choice: PlaceChoice): Carried | { readonly reasons: readonly FitReason[] } {
    const { plan, resolved } = this.inputs
    const { index } = this.seller
    const region = index.regions.get(choice.region)!
    const machine = applyChoice(resolved.machine, choice)
    const there = { ...resolved, region, machine }
    const barred = [
      ...placeReasons(there),
      ...[zoneReason(there, choice.zone)].filter((reason) => reason !== undefined),
    ]
    if (barred.length > 0) return { reasons: barred }
    const { kept, tolerated, sizes } = this
    const found = sizes && carryOver(machine, plan, index, { like: resolved.size, kept, tolerated, sizes })
    if (!found) return { reasons: this.whyNothing(region) }
    const changes = changesBetween(machine, found.machine, index, resolved.index)
    return { machine: found.machine, resolved: found.resolved, changes }
  }

  /** The plainest reason why nothing was found. */
  private whyNothing(region: RegionIndex): FitReason[] {
    const { resolved } = this.inputs
    const { machine, image } = resolved
    const { provider } = this.seller.index.book
    if (!this.sizes) return [{ code: 'image-not-offered', image: image.name, provider: provider.name }]
    const { name: place } = region.region
    if (machine.address !== 'none' && !addressRate(region, machine.address, 'attachedOn')) {
      return [{ code: 'address-not-sold-here', sort: machine.address, place }]
    }
    const { vcpu, memoryGiB, iops } = machine.needs
    return [{ code: 'nothing-fits-there', place, provider: provider.name, vcpu, memoryGiB, iops }]
  }
}

const shut = (key: string, choice: Choice, index: BookIndex, reasons: readonly FitReason[]): Notch => ({
  index,
  key,
  choice,
  isPresent: false,
  total: undefined,
  difference: undefined,
  reasons,
})

const noRate = (exchange: Exchange): FitReason[] =>
  exchange.kind === 'missing' ? [{ code: 'no-exchange-rate', from: exchange.from, to: exchange.to }] : []
