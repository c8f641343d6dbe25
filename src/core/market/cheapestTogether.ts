/** One way for a machine to be. */
export interface TogetherOption<Way> {
  readonly way: Way
  /** What it costs at the least, however the others are. */
  readonly least: number
  /** What it costs if it has nothing of what is shared. */
  readonly most: number
}

export interface Together<Way> {
  readonly ways: readonly Way[]
  readonly cost: number
  /** Nothing cheaper is possible; else nothing cheaper was found. */
  readonly isExact: boolean
}

/** Parts of a cent that floating numbers may be off by. */
const HARDLY = 1e-7

/**
 * The cheapest way for machines that share something, such as free hours: what one costs hangs on what the others are.
 * `price` is what all of them cost together, never less than their least together. Looks through all ways but those that
 * cannot be cheaper, as long as `mostPriced` lasts; then changes one machine after the other, those that can gain most
 * first, while that is cheaper. O(mostPriced) prices, and as many machines.
 */
export function cheapestTogether<Way>(
  options: readonly (readonly TogetherOption<Way>[])[],
  price: (ways: readonly Way[]) => number,
  mostPriced: number,
): Together<Way> | undefined {
  if (options.some(({ length }) => length === 0)) return undefined
  const sorted = options.map((of) => [...of].sort((a, b) => a.least - b.least))
  // By position: the least that all from there on cost.
  const later = new Float64Array(options.length + 1)
  for (let at = options.length - 1; at >= 0; at -= 1) later[at] = later[at + 1]! + sorted[at]![0]!.least
  let [left, best] = [mostPriced, Infinity]
  let ways: readonly Way[] = []
  const consider = (found: readonly Way[]): boolean => {
    left -= 1
    const cost = price(found)
    if (cost >= best - HARDLY) return false
    best = cost
    ways = [...found]
    return true
  }
  // Good ones first, so that little is left to look through: each with nothing of what is shared, each with all of it.
  consider(sorted.map((of) => of.reduce((low, each) => (each.most < low.most ? each : low)).way))
  consider(sorted.map(([first]) => first!.way))
  let isExact = true
  const chosen: Way[] = []
  const look = (at: number, cost: number): void => {
    if (at === sorted.length) {
      consider(chosen)
      return
    }
    for (const { way, least } of sorted[at]!) {
      if (cost + least + later[at + 1]! >= best - HARDLY) return
      if (left <= 0) {
        isExact = false
        return
      }
      chosen[at] = way
      look(at + 1, cost + least)
    }
  }
  look(0, 0)
  if (!isExact) improve()
  return { ways, cost: best, isExact }

  function improve(): void {
    const gain = (at: number): number => {
      const { most, least } = sorted[at]![0]!
      return most - least
    }
    const order = [...sorted.keys()].sort((a, b) => gain(b) - gain(a))
    let tries = mostPriced
    for (let isBetter = true; isBetter && tries > 0;) {
      isBetter = false
      for (const at of order) {
        for (const { way } of sorted[at]!) {
          if (way === ways[at] || tries <= 0) continue
          tries -= 1
          if (consider(ways.map((own, i) => (i === at ? way : own)))) isBetter = true
        }
      }
    }
  }
}
