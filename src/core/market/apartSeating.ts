import { cheapestSeating, UNSEATED, type Seating } from './seating.ts'

/** Machines that must not fall together, and the zones that they can stand in. Costs are floating numbers. */
export interface ApartSeats {
  /** By machine: by zone, what it costs there at the least; Infinity where it cannot stand. */
  readonly costs: readonly Float64Array[]
  /** By machine: whether it shares its place with no other. */
  readonly sharesNothing: readonly boolean[]
  /** By zone: the place that it is part of. */
  readonly places: readonly number[]
  /** By zone: how many more of them it may hold; Infinity for any number. */
  readonly room: readonly number[]
  /** Places in which one of the group stands that cannot move: none that shares nothing may come there. */
  readonly taken: ReadonlySet<number>
}

/**
 * The cheapest way to place the machines at some of the places, those that share nothing each at one of its own. Those that
 * share nothing and the others are seated by themselves; where both are at one place, it is closed to the ones and then to
 * the others. O(2 ^ places that both want) seatings.
 */
export function apartSeating(asked: ApartSeats, among: ReadonlySet<number>): Seating {
  const alone = indices(asked.costs, (machine) => asked.sharesNothing[machine]!)
  const others = indices(asked.costs, (machine) => !asked.sharesNothing[machine]!)
  const places = [...among].filter((place) => asked.places.includes(place))
  let best: Seating | undefined

  const look = (notAlone: ReadonlySet<number>, notOthers: ReadonlySet<number>): void => {
    const first = seatAlone(asked, alone, places, notAlone)
    const rest = seatOthers(asked, others, among, notOthers)
    const cost = first.cost + rest.cost
    if (best && cost >= best.cost) return
    const shared = rest.seats.find((zone) => zone >= 0 && first.places.has(asked.places[zone]!))
    if (shared === undefined) {
      const seats = new Int32Array(asked.costs.length).fill(-1)
      alone.forEach((machine, i) => (seats[machine] = first.seats[i]!))
      others.forEach((machine, i) => (seats[machine] = rest.seats[i]!))
      best = { seats, cost }
      return
    }
    const place = asked.places[shared]!
    look(new Set([...notAlone, place]), notOthers)
    look(notAlone, new Set([...notOthers, place]))
  }

  look(asked.taken, new Set())
  return best ?? { seats: new Int32Array(asked.costs.length).fill(-1), cost: UNSEATED * asked.costs.length }
}

/** Each at the cheapest zone with room of a place of its own. */
function seatAlone(
  { costs, places: placeOf, room }: ApartSeats,
  machines: readonly number[],
  places: readonly number[],
  closed: ReadonlySet<number>,
): Seating & { readonly places: ReadonlySet<number> } {
  const zonesOf = places.map((place) =>
    closed.has(place) ? [] : indices(placeOf, (zone) => placeOf[zone] === place && room[zone]! > 0),
  )
  const cheapest = (machine: number, zones: readonly number[]): number =>
    zones.reduce((low, zone) => (low < 0 || costs[machine]![zone]! < costs[machine]![low]! ? zone : low), -1)
  const seating = cheapestSeating({
    costs: machines.map((machine) =>
      Float64Array.from(zonesOf, (zones) => costs[machine]![cheapest(machine, zones)] ?? Infinity),
    ),
    room: places.map(() => 1),
  })
  const seats = seating.seats.map((at, i) => (at < 0 ? -1 : cheapest(machines[i]!, zonesOf[at]!)))
  return { seats, cost: seating.cost, places: new Set([...seats].map((zone) => placeOf[zone]!)) }
}

function seatOthers(
  { costs, places, room }: ApartSeats,
  machines: readonly number[],
  among: ReadonlySet<number>,
  closed: ReadonlySet<number>,
): Seating {
  const zones = indices(places, (zone) => among.has(places[zone]!) && !closed.has(places[zone]!))
  const seating = cheapestSeating({
    costs: machines.map((machine) => Float64Array.from(zones, (zone) => costs[machine]![zone]!)),
    room: zones.map((zone) => room[zone]!),
  })
  return { ...seating, seats: seating.seats.map((at) => (at < 0 ? -1 : zones[at]!)) }
}

const indices = (of: readonly unknown[], passes: (at: number) => boolean): number[] =>
  [...of.keys()].filter(passes)
