import { weekSpans } from '../calendar/weekSpans.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { keptFor } from '../keptFor.ts'
import { instant, type Span } from '../quantity/units.ts'
import type { Charge } from './charge.ts'
import { chargeMachine } from './chargeMachine.ts'
import { meteredCutAt, type MeteredMonth } from './meteredMonth.ts'
import type { PricedMachine } from './planPricing.ts'
import type { Piece } from './pieces.ts'

/** When the machine runs in the hours of its week, within the month, in order and apart. O(spans), kept by month and week. */
export const askedTime = (metered: MeteredMonth, week: WeekPlan): readonly Span[] => spansOf(metered)(week)

const spansOf = keptFor((metered: MeteredMonth) =>
  keptFor((week: WeekPlan): readonly Span[] => {
    const { month, segments } = metered.timeline
    const windows = weekSpans(week, month)
    const spans: Span[] = []
    let i = 0
    for (const { phase, from, to } of segments) {
      // Coming back and going off are charged as running, and nobody asked for them.
      if (phase !== 'running') continue
      while (i < windows.length && windows[i]!.to <= from) i += 1
      for (let at = i; at < windows.length && windows[at]!.from < to; at += 1) {
        const span = {
          from: instant(Math.max(from, windows[at]!.from, month.from)),
          to: instant(Math.min(to, windows[at]!.to, month.to)),
        }
        if (span.to > span.from) spans.push(span)
      }
    }
    return spans
  }),
)

/**
 * The machine's charges in the order of its estimate, with pieces that lie within the asked time or outside it, none
 * across. They are cut before thresholds are, so that what a threshold cuts within a second is on the right side.
 */
export function chargesCutAtAsked({ resolved, month, estimate, account }: PricedMachine): readonly Charge[] {
  const { timeline } = estimate.metered
  const cut = meteredCutAt(timeline, resolved.index.book, askedTime(estimate.metered, resolved.week))
  const found = chargeMachine(resolved, cut, month, account.planned)
  if (!found.ok) throw new RangeError('a month that has charges lost them when it was cut')
  return found.value
}

/** Pieces that `chargesCutAtAsked` made, told apart; what rounding added to a run was never asked for. */
export function askedPieces(
  pieces: readonly Piece[],
  spans: readonly Span[],
): { readonly asked: readonly Piece[]; readonly leak: readonly Piece[] } {
  const asked: Piece[] = []
  const leak: Piece[] = []
  let i = 0
  for (const piece of pieces) {
    while (i < spans.length && spans[i]!.to <= piece.from) i += 1
    const isAsked = i < spans.length && spans[i]!.from <= piece.from
    if (!isAsked) leak.push(piece)
    else if (piece.added === 0) asked.push(piece)
    else {
      asked.push({ ...piece, ticks: piece.ticks - piece.added, added: 0 })
      leak.push({ ...piece, from: piece.to, ticks: piece.added })
    }
  }
  return { asked, leak }
}
