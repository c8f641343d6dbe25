import type { ApartNeighbour } from '../machine/apart.ts'
import type { ApartGroup } from '../machine/apartGroup.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { apartSeating, type ApartSeats } from './apartSeating.ts'
import type { Market } from './market.ts'
import { moverCosts, offersByPlace, type MixMover } from './mixMover.ts'
import type { MixPlaces } from './mixPlaces.ts'
import type { MarketOffer } from './offerTotal.ts'
import type { MixQuestion } from './mixQuestion.ts'
import { UNSEATED } from './seating.ts'

/** The machines of a group that can move, and what each costs in each zone. */
export interface MixGroup {
  /** Their numbers among all movers. */
  readonly movers: readonly number[]
  readonly seats: ApartSeats
  /** By mover of the group: by zone. */
  readonly offers: readonly (readonly (MarketOffer | undefined)[])[]
}

/** A zone that some machine of the group can stand in. */
interface Zone {
  readonly place: number
  readonly zone: string
  readonly most: number
}

/**
 * Prices every machine of a group in every zone in turn, since a zone may not sell what the next one does.
 * O(machines × most zones of a region) questions.
 */
export function mixGroup(
  market: Market,
  question: MixQuestion,
  group: ApartGroup,
  movers: readonly (MixMover & { readonly at: number })[],
  held: readonly (Machine & { readonly at: number })[],
  places: MixPlaces,
  currency: string,
): MixGroup {
  const zones: Zone[] = []
  const byKey = new Map<string, number>()
  const numbered = (place: number, offer: MarketOffer): number => {
    const { zone } = offer.machine
    const key = `${place}/${zone}`
    let number = byKey.get(key)
    if (number === undefined) {
      byKey.set(key, (number = zones.length))
      zones.push({ place, zone, most: mostIn(group, offer.place.region.faultDomains?.length) })
    }
    return number
  }
  const found = movers.map((mover) => {
    const offers = new Map<number, MarketOffer>()
    for (let nth = 0; nth < mostZones(mover.inputs); nth += 1) {
      const there = offersByPlace(market, question, inNthZones(mover.inputs, nth), places)
      for (const [place, offer] of there) offers.set(numbered(place, offer), offer)
    }
    return offers
  })
  const offers = found.map((each) => zones.map((_, zone) => each.get(zone)))
  const barred = new Set(held.filter(({ needs }) => needs.apart?.sharesNothing).map(({ at }) => at))
  return {
    movers: movers.map(({ at }) => at),
    offers,
    seats: {
      costs: movers.map((mover, i) => withOwnFirst(mover, offers[i]!, currency, question)),
      sharesNothing: movers.map(({ machine }) => machine.needs.apart?.sharesNothing ?? false),
      places: zones.map(({ place }) => place),
      room: zones.map(({ place, zone, most }) => {
        const there = held.filter((machine) => machine.at === place && machine.zone === zone)
        return barred.has(place) ? 0 : Math.max(0, most - there.length)
      }),
      taken: new Set(held.map(({ at }) => at)),
    },
  }
}

/** What the machines of a group cost together at some of the places; Infinity where not all of them can be there. */
export function groupCost({ seats }: MixGroup, among: ReadonlySet<number>): number {
  const { cost } = apartSeating(seats, among)
  return cost < UNSEATED ? cost : Infinity
}

const mostIn = ({ mostInZone = Infinity, mostInFaultDomain = Infinity }: ApartGroup, domains = Infinity) =>
  Math.min(mostInZone, mostInFaultDomain * domains)

/** So little is less than any price: of zones that cost the same, its own. */
const HARDLY = 1e-7

function withOwnFirst(
  mover: MixMover,
  offers: readonly (MarketOffer | undefined)[],
  currency: string,
  question: MixQuestion,
): Float64Array {
  const { provider, region, zone } = mover.machine
  return moverCosts(mover, offers, currency, question).map((cost, at) => {
    const { machine } = offers[at] ?? {}
    const isOwn = machine?.provider === provider && machine.region === region && machine.zone === zone
    return isOwn ? cost - HARDLY : cost
  })
}

const sellersOf = ({ resolved, elsewhere = [] }: PlatesInputs) => [
  resolved.index,
  ...elsewhere.map(({ index }) => index),
]

const mostZones = (inputs: PlatesInputs): number =>
  Math.max(...sellersOf(inputs).flatMap(({ book }) => book.regions.map(({ zones }) => zones.length)))

/** The machine as if every zone were taken but the nth of each region. */
function inNthZones(inputs: PlatesInputs, nth: number): PlatesInputs {
  const others = sellersOf(inputs).flatMap(({ book }) =>
    book.regions.flatMap(({ id: region, zones }) =>
      zones
        .filter((_, at) => at !== nth)
        .map((zone): ApartNeighbour => {
          const provider = book.provider.id
          return { name: zone, provider, region, zone, sharesNothing: false }
        }),
    ),
  )
  const apart = { group: { name: 'one zone', mostInZone: 1 }, sharesNothing: false, others, position: 0 }
  return { ...inputs, resolved: { ...inputs.resolved, apart } }
}
