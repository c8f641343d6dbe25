import type { AddressUse, PriceBook, StateRow } from '../catalogue/priceBook.ts'
import { STATE_OF_PHASE, type Phase, type PowerState } from '../power/powerState.ts'
import type { MonthTimeline } from '../power/monthTimeline.ts'
import { clipSegments, secondsByPhase } from '../power/timeline.ts'
import { instant, lengthOf, seconds, type Seconds, type Span } from '../quantity/units.ts'
import { chargedRuns, chargedTime, type ChargedRun, type ChargedTime } from './chargedRuns.ts'
import { NO_PIECES, piecesOf, type Piece, type Pieces } from './pieces.ts'

/** Time charged by runs, cut where the power state changes. */
export interface RunPieces {
  readonly time: ChargedTime
  readonly pieces: Pieces
}

/** When each meter ran in a month, before any rate: the same for every size and place of one provider. */
export interface MeteredMonth {
  readonly timeline: MonthTimeline
  readonly phases: ReadonlyMap<Phase, Seconds>
  readonly compute: RunPieces
  readonly licence: RunPieces
  /** The whole month. */
  readonly always: Pieces
  /** While there is a machine, for what goes with it when it is deleted. */
  readonly exists: Pieces
  readonly memoryImage: Pieces
  readonly address: ReadonlyMap<Exclude<AddressUse, 'none'>, Pieces>
  /** One piece of one tick for each time that the machine is made anew. */
  readonly creations: Pieces
}

/** A stay in one power state, within the month. */
interface Stay extends Span {
  readonly state: PowerState
}

const memo = new WeakMap<MonthTimeline, WeakMap<PriceBook, MeteredMonth>>()

/** Which meters run in which phase is read from the book's state table. Throws on a state the book does not have. */
export function meteredMonth(timeline: MonthTimeline, book: PriceBook): MeteredMonth {
  let ofTimeline = memo.get(timeline)
  if (!ofTimeline) memo.set(timeline, (ofTimeline = new WeakMap()))
  let metered = ofTimeline.get(book)
  if (!metered) ofTimeline.set(book, (metered = measure(timeline, book)))
  return metered
}

function stateRow(book: PriceBook, state: PowerState): StateRow {
  const row = book.states[state]
  if (!row) throw new RangeError(`${book.provider.name} has no state ${state}`)
  return row
}

function measure(timeline: MonthTimeline, book: PriceBook): MeteredMonth {
  const { month, segments } = timeline
  const stays = staysOf(timeline)
  const during = (charges: (row: StateRow) => boolean): Pieces =>
    piecesOf(stays.filter(({ state }) => charges(stateRow(book, state))).map(toPiece))
  const byRuns = (meter: 'compute' | 'licence'): RunPieces => {
    const runs = chargedRuns(timeline, (phase) => stateRow(book, STATE_OF_PHASE[phase])[meter], book.billing)
    return { time: chargedTime(runs, book.billing), pieces: runPieces(runs, stays) }
  }
  const address = new Map<Exclude<AddressUse, 'none'>, Pieces>()
  for (const use of ['attachedOn', 'attachedOff', 'unattached'] as const) {
    const pieces = during((row) => row.address === use)
    if (pieces.ticks > 0) address.set(use, pieces)
  }
  const creations = segments.filter(
    ({ phase, from }, i) =>
      from >= month.from &&
      from < month.to &&
      i > 0 &&
      segments[i - 1]!.phase === 'deleted' &&
      phase !== 'deleted',
  )
  return {
    timeline,
    phases: secondsByPhase(segments, month),
    compute: byRuns('compute'),
    licence: byRuns('licence'),
    always: piecesOf(stays.map(toPiece)),
    exists: during((row) => row.disks),
    memoryImage: during((row) => row.memoryImage),
    address,
    creations: creations.length > 0 ? piecesOf(creations.map((segment) => onceAt(segment.from))) : NO_PIECES,
  }
}

/** One hour in one state, by the same meters as a month. */
export function meteredHour(state: PowerState, book: PriceBook, from: Span['from']): MeteredMonth {
  const hour = { from, to: instant(from + 3_600) }
  return measure(
    { month: hour, segments: [{ phase: state, ...hour }] },
    {
      ...book,
      billing: { ...book.billing, minimumSeconds: 0, incrementSeconds: 1 },
    },
  )
}

/** A month in which nothing but machine time is charged, for one run of `length` seconds from the month's start. */
export function meteredRun(month: Span, length: number): MeteredMonth {
  const whole = piecesOf([toPiece({ state: 'running', from: month.from, to: month.to })])
  const run = { state: 'running', from: month.from, to: instant(month.from + length) } as const
  const pieces = length > 0 ? piecesOf([toPiece(run)]) : NO_PIECES
  const time: ChargedTime = {
    charged: seconds(length),
    trueTime: seconds(length),
    added: seconds(0),
    runs: length > 0 ? 1 : 0,
    minimumSeconds: 0,
    incrementSeconds: 1,
  }
  return {
    timeline: { month, segments: [{ phase: 'running', from: run.from, to: run.to }] },
    phases: new Map([['running', seconds(length)]]),
    compute: { time, pieces },
    licence: { time, pieces: NO_PIECES },
    always: whole,
    exists: NO_PIECES,
    memoryImage: NO_PIECES,
    address: new Map(),
    creations: NO_PIECES,
  }
}

function staysOf({ segments, month }: MonthTimeline): Stay[] {
  const stays: Stay[] = []
  for (const { phase, from, to } of clipSegments(segments, month)) {
    const state = STATE_OF_PHASE[phase]
    const last = stays.at(-1)
    if (last?.state === state) stays[stays.length - 1] = { ...last, to }
    else stays.push({ state, from, to })
  }
  return stays
}

const toPiece = (stay: Stay): Piece => ({ ...stay, ticks: lengthOf(stay), added: 0 })

const onceAt = (from: Span['from']): Piece => ({
  from,
  to: instant(from + 1),
  state: 'running',
  ticks: 1,
  added: 1,
})

/** Runs, cut where the state changes; what rounding adds stands on the last part of its run. O(runs + stays). */
function runPieces(runs: readonly ChargedRun[], stays: readonly Stay[]): Pieces {
  const pieces: Piece[] = []
  let i = 0
  for (const run of runs) {
    while (i < stays.length && stays[i]!.to <= run.from) i += 1
    for (; i < stays.length && stays[i]!.from < run.to; i += 1) {
      const { state, from, to } = stays[i]!
      const span = { from: instant(Math.max(from, run.from)), to: instant(Math.min(to, run.to)) }
      const added = span.to === run.to ? run.added : 0
      pieces.push({ ...span, state, ticks: lengthOf(span) + added, added })
      if (to >= run.to) break
    }
  }
  return piecesOf(pieces)
}
