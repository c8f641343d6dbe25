/** What each machine costs at the least at each place, and who sells there: floating numbers, Infinity where it does not fit. */
export interface PlaceCosts {
  /** By machine: by place. */
  readonly costs: readonly Float64Array[]
  /** By place: its provider, counted from 0. */
  readonly providers: readonly number[]
  /** Places at which something stands that cannot move: they are in every set. */
  readonly held: readonly number[]
  /** Machines that cannot each stand at the cheapest place for it: what they cost together, never less than each alone. */
  readonly together?: readonly PlacedTogether[]
}

export interface PlacedTogether {
  readonly machines: readonly number[]
  /** Infinity where not all of them can be at those places. */
  readonly cost: (among: ReadonlySet<number>) => number
}

export interface PlaceSetLimits {
  readonly providers: number
  readonly places: number
}

export interface PlaceSet {
  readonly places: readonly number[]
  readonly cost: number
}

/** So many sets are looked at between two steps. */
const STEP = 20_000

/**
 * The cheapest set of places that all machines together can stand at, each at the cheapest of them for it, or with others
 * as is cheapest for them together. Undefined where
 * no set of so few holds them all. Every set is looked at but those that cannot be cheaper: a set and all that could still
 * be added to it cost at the least what each machine costs at the best of both. Yields now and then.
 *
 * O(places ^ most places × machines) at the worst; bounds leave little of it where places differ.
 */
export function* cheapestPlaceSet(
  { costs, providers, held, together = [] }: PlaceCosts,
  limits: PlaceSetLimits,
): Generator<number, PlaceSet | undefined> {
  const machines = costs.length
  const isHeld = new Set(held)
  const useful = [...providers.keys()].filter(
    (place) => !isHeld.has(place) && costs.some((of) => of[place]! < Infinity),
  )
  // What is cheap for all comes first, so that a good set is known early.
  const sums = new Map(useful.map((place) => [place, sumAt(costs, place)]))
  useful.sort((a, b) => sums.get(a)! - sums.get(b)! || a - b)
  // By position: the least that each machine costs at a place from there on.
  const later = laterLeast(costs, useful)
  let best: PlaceSet | undefined
  let looked = 0

  function* extend(
    from: number,
    chosen: readonly number[],
    least: Float64Array,
    sellers: ReadonlySet<number>,
  ): Generator<number, void> {
    if (sumOf(least) < (best?.cost ?? Infinity)) {
      const cost = costOf(least, chosen)
      if (cost < (best?.cost ?? Infinity)) best = { places: [...chosen], cost }
    }
    if (chosen.length >= limits.places) return
    for (let at = from; at < useful.length; at += 1) {
      if (boundOf(least, later[at]!) >= (best?.cost ?? Infinity)) return
      looked += 1
      if (looked % STEP === 0) yield looked
      const place = useful[at]!
      const seller = providers[place]!
      const isNew = !sellers.has(seller)
      if (isNew && sellers.size >= limits.providers) continue
      const next = new Float64Array(machines)
      for (let machine = 0; machine < machines; machine += 1)
        next[machine] = Math.min(least[machine]!, costs[machine]![place]!)
      yield* extend(at + 1, [...chosen, place], next, isNew ? new Set([...sellers, seller]) : sellers)
    }
  }

  function costOf(least: Float64Array, chosen: readonly number[]): number {
    if (together.length === 0) return sumOf(least)
    const among = new Set(chosen)
    const single = Float64Array.from(least)
    for (const { machines: those } of together) for (const machine of those) single[machine] = 0
    return together.reduce((sum, { cost }) => sum + cost(among), sumOf(single))
  }

  const sellers = new Set(held.map((place) => providers[place]!))
  if (held.length > limits.places || sellers.size > limits.providers) return undefined
  const first = Float64Array.from(costs, (of) =>
    held.reduce((low, place) => Math.min(low, of[place]!), Infinity),
  )
  yield* extend(0, held, first, sellers)
  return best
}

const sumAt = (costs: PlaceCosts['costs'], place: number): number =>
  costs.reduce((sum, of) => sum + (of[place]! < Infinity ? of[place]! : 1e12), 0)

const sumOf = (least: Float64Array): number => least.reduce((sum, each) => sum + each, 0)

function boundOf(least: Float64Array, later: Float64Array): number {
  let sum = 0
  for (let machine = 0; machine < least.length; machine += 1)
    sum += Math.min(least[machine]!, later[machine]!)
  return sum
}

function laterLeast(costs: PlaceCosts['costs'], places: readonly number[]): Float64Array[] {
  const later: Float64Array[] = []
  let least = new Float64Array(costs.length).fill(Infinity)
  for (let at = places.length - 1; at >= 0; at -= 1) {
    least = Float64Array.from(least, (low, machine) => Math.min(low, costs[machine]![places[at]!]!))
    later[at] = least
  }
  return later
}
