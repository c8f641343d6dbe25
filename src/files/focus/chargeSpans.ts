import type { Charge } from '../../core/meter/charge.ts'
import { ticksWithin } from '../../core/meter/pieces.ts'
import { localDays } from '../../core/calendar/localDays.ts'
import { instant, SECONDS_PER_HOUR, type Span } from '../../core/quantity/units.ts'

export const FOCUS_GRAINS = ['day', 'hour'] as const
/** What a row is about: a day of the provider's billing zone, or an hour. */
export type FocusGrain = (typeof FOCUS_GRAINS)[number]

/** The month in pieces of the grain, without gaps. Hours count from the month's first second. */
export function grainSpans(month: Span, grain: FocusGrain, billingZone: string): Span[] {
  if (grain === 'day') return localDays(month, billingZone).map(({ span }) => span)
  const spans: Span[] = []
  for (let from = month.from; from < month.to; from = instant(from + SECONDS_PER_HOUR)) {
    spans.push({ from, to: instant(Math.min(from + SECONDS_PER_HOUR, month.to)) })
  }
  return spans
}

export interface TicksInSpan {
  readonly span: Span
  readonly ticks: number
  /** True seconds of it in which the machine ran. */
  readonly running: number
  /** Ticks while it ran. */
  readonly runningTicks: number
}

/** What a charge counts in each span, those without any left out. O(pieces + spans that they meet). */
export function ticksBySpan({ pieces }: Charge, spans: readonly Span[]): TicksInSpan[] {
  const found = new Map<number, { ticks: number; running: number; runningTicks: number }>()
  let first = 0
  for (const piece of pieces.list) {
    while (first < spans.length - 1 && spans[first]!.to < piece.from) first += 1
    for (let at = first; at < spans.length && spans[at]!.from <= piece.to; at += 1) {
      const span = spans[at]!
      const ticks = ticksWithin(piece, span)
      if (ticks === 0) continue
      const sum = found.get(at) ?? { ticks: 0, running: 0, runningTicks: 0 }
      sum.ticks += ticks
      if (piece.state === 'running') {
        sum.running += Math.max(0, Math.min(piece.to, span.to) - Math.max(piece.from, span.from))
        sum.runningTicks += ticks
      }
      found.set(at, sum)
    }
  }
  return [...found].sort(([a], [b]) => a - b).map(([at, sum]) => ({ span: spans[at]!, ...sum }))
}
