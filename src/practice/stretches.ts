/** Time that is counted: evenly from one instant to another, or all at once where rounding adds it at the end of a run. */
export interface Stretch {
  /** Whole seconds since 1970. */
  readonly from: number
  readonly to: number
  /** Seconds, or whole multiples of them. */
  readonly ticks: number
}

/** From an instant to another, in whole seconds since 1970; the end does not belong to it. */
export interface Within {
  readonly from: number
  readonly to: number
}

export const ticksOf = (stretches: readonly Stretch[]): number =>
  stretches.reduce((sum, { ticks }) => sum + ticks, 0)

export const times = (stretches: readonly Stretch[], factor: number): Stretch[] =>
  stretches.map((stretch) => ({ ...stretch, ticks: stretch.ticks * factor }))

/** The first so many ticks, and the others. A second that is cut stands in both, each with its own ticks. */
export function cutAt(stretches: readonly Stretch[], count: number): [Stretch[], Stretch[]] {
  const [first, rest]: [Stretch[], Stretch[]] = [[], []]
  let left = Math.max(0, count)
  const put = (list: Stretch[], from: number, to: number, ticks: number): void => {
    if (ticks > 0) list.push({ from, to, ticks })
  }
  for (const stretch of stretches) {
    const { from, to, ticks } = stretch
    if (ticks <= left) {
      first.push(stretch)
      left -= ticks
    } else if (left === 0) {
      rest.push(stretch)
    } else {
      const each = from === to ? ticks : ticks / (to - from)
      const whole = from === to ? 0 : Math.floor(left / each)
      const at = from + whole
      const after = Math.min(at + 1, to)
      const part = left - whole * each
      put(first, from, at, whole * each)
      put(first, at, after, part)
      put(rest, at, after, part > 0 ? each - part : 0)
      const begins = part > 0 ? after : at
      put(rest, begins, to, from === to ? 0 : each * (to - begins))
      left = 0
    }
  }
  return [first, rest]
}

/** What of a stretch falls into each day; `edges` are midnights, and what is added at one belongs to the day before. */
export function byDay(
  { from, to, ticks }: Stretch,
  edges: readonly number[],
  add: (day: number, ticks: number) => void,
): void {
  const each = from === to ? 0 : Math.floor(ticks / (to - from))
  let given = 0
  let day = dayOf(from, to, edges)
  for (; day < edges.length - 2 && edges[day + 1]! < to; day += 1) {
    const until = each * (edges[day + 1]! - from)
    if (until > given) add(day, until - given)
    given = until
  }
  if (ticks > given) add(day, ticks - given)
}

function dayOf(from: number, to: number, edges: readonly number[]): number {
  const isMoment = from === to
  let [low, high] = [0, edges.length - 2]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    const begins = edges[middle]!
    if (isMoment ? begins < from : begins <= from) low = middle
    else high = middle - 1
  }
  return low
}
