import { GONE } from '../catalogue/statesSold.ts'
import type { PriceBook, StateRow } from '../catalogue/priceBook.ts'
import type { AddressUse } from '../catalogue/regionPrices.ts'
import { POWER_STATES, STATE_OF_PHASE, type Phase, type PowerState } from '../off/powerState.ts'
import { keptFor } from '../keptFor.ts'
import type { MonthTimeline } from '../power/monthTimeline.ts'
import { clipSegments, secondsByPhase, type Segment } from '../power/timeline.ts'
import { instant, lengthOf, seconds, type Seconds, type Span } from '../quantity/units.ts'
import { chargedRuns, chargedTime, type ChargedRun, type ChargedTime } from './chargedRuns.ts'
import { NO_PIECES, piecesLater, type Piece, type Pieces } from './pieces.ts'

/** Time charged by runs, cut where the power state changes. */
interface RunPieces {
  readonly time: ChargedTime
  readonly pieces: Pieces
}

/** When each meter ran in a month, before any rate: the same for every size and place of one provider. */
export interface MeteredMonth {
  readonly timeline: MonthTimeline
  readonly phases: ReadonlyMap<Phase, Seconds>
  /** Seconds in its windows: running, and coming back. */
  readonly onTime: Seconds
  /** Times that it went from off to running, however long that took. */
  readonly starts: number
  readonly compute: RunPieces
  /** For terms that are charged while there is a machine, whatever its state. */
  readonly flat: RunPieces
  readonly licence: RunPieces
  /** While it runs; coming back and going off are charged as running, and are no time in which anything is sent. */
  readonly running: Pieces
  /** The whole month, from the first day of a machine that has one. */
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

/** Which meters run in which phase is read from the book's state table. Throws on a state the book does not have. */
export const meteredMonth = (timeline: MonthTimeline, book: PriceBook): MeteredMonth =>
  monthsOf(book)(timeline)

/** By book first: a weak map for each of a year's thousand timelines would keep the garbage collector busy. */
const monthsOf = keptFor((book: PriceBook) => keptFor((timeline: MonthTimeline) => measure(timeline, book)))

function stateRow(book: PriceBook, state: PowerState): StateRow {
  const row = book.states[state] ?? (state === 'deleted' ? GONE : undefined)
  if (!row) throw new RangeError(`${book.provider.name} has no state ${state}`)
  return row
}

/** The same month, with its pieces cut where `spans` begin and end as well. They are in order, apart, and within it. */
export const meteredCutAt = (
  timeline: MonthTimeline,
  book: PriceBook,
  spans: readonly Span[],
): MeteredMonth => measure(timeline, book, (stays) => cutStays(stays, spans))

function measure(
  timeline: MonthTimeline,
  book: PriceBook,
  cut: (stays: readonly Stay[]) => readonly Stay[] = (stays) => stays,
): MeteredMonth {
  const { month, segments } = timeline
  let laidOut: readonly Stay[] | undefined
  const stays = (): readonly Stay[] => (laidOut ??= cut(staysOf(timeline)))
  const phases = secondsByPhase(segments, month)
  const inState = new Map<PowerState, number>()
  for (const [phase, length] of phases) {
    inState.set(STATE_OF_PHASE[phase], (inState.get(STATE_OF_PHASE[phase]) ?? 0) + length)
  }
  const during = (charges: (row: StateRow) => boolean): Pieces => {
    let ticks = 0
    for (const [state, length] of inState) if (charges(stateRow(book, state))) ticks += length
    const isCharged = ({ state }: Stay): boolean => charges(stateRow(book, state))
    return ticks === 0 ? NO_PIECES : piecesLater(ticks, () => stays().filter(isCharged).map(toPiece))
  }
  const byRuns = (charges: (state: PowerState) => boolean): RunPieces => {
    const runs = chargedRuns(timeline, (phase) => charges(STATE_OF_PHASE[phase]), book.billing)
    const time = chargedTime(runs, book.billing)
    return { time, pieces: piecesLater(time.charged, () => runPieces(runs, stays())) }
  }
  const compute = byRuns((state) => stateRow(book, state).compute)
  let flat: RunPieces | undefined
  // Most books charge licences for just as long: the same pieces, so that they are made once.
  const sameRuns = POWER_STATES.every((state) => book.states[state]?.compute === book.states[state]?.licence)
  // Nothing comes before a machine's first day.
  const there = Math.max(0, month.to - Math.max(month.from, segments[0]?.from ?? month.to))
  const address = new Map<Exclude<AddressUse, 'none'>, Pieces>()
  for (const use of ['attachedOn', 'attachedOff', 'unattached'] as const) {
    const pieces = during((row) => row.address === use)
    if (pieces.ticks > 0) address.set(use, pieces)
  }
  return {
    timeline,
    phases,
    onTime: onTime(phases),
    starts: returnsFrom(AWAY_PHASES, timeline).length,
    compute,
    // Few machines are on such terms.
    get flat() {
      return (flat ??= byRuns((state) => state !== 'deleted'))
    },
    licence: sameRuns ? compute : byRuns((state) => stateRow(book, state).licence),
    running: piecesLater(phases.get('running') ?? 0, () => cut(runningStays(timeline)).map(toPiece)),
    always: piecesLater(there, () => stays().map(toPiece)),
    exists: during((row) => row.disks),
    memoryImage: during((row) => row.memoryImage),
    address,
    creations: creationsOf(timeline),
  }
}

const ON_PHASES: readonly Phase[] = ['running', 'starting', 'waking', 'creating']
const DELETED_PHASES: readonly Phase[] = ['deleting', 'deleted']
const AWAY_PHASES: readonly Phase[] = [
  'stopping',
  'stopped',
  'deallocated',
  'hibernating',
  'hibernated',
  ...DELETED_PHASES,
]

const onTime = (phases: MeteredMonth['phases']): Seconds =>
  seconds(ON_PHASES.reduce((sum, phase) => sum + (phases.get(phase) ?? 0), 0))

/**
 * Where it comes back in the month, after phases of going off or being off: it can do so at the very moment at which it
 * has gone off.
 */
function returnsFrom(away: readonly Phase[], { segments, month }: MonthTimeline): Segment[] {
  return segments.filter(({ phase, from }, i) => {
    const before = segments[i - 1]?.phase
    return (
      before !== undefined &&
      away.includes(before) &&
      !away.includes(phase) &&
      from >= month.from &&
      from < month.to
    )
  })
}

function creationsOf(timeline: MonthTimeline): Pieces {
  // What is made for the first time is not restored from anything.
  const starts = returnsFrom(DELETED_PHASES, timeline).filter(({ from }) => from !== timeline.firstStart)
  return starts.length === 0
    ? NO_PIECES
    : piecesLater(starts.length, () => starts.map(({ from }) => onceAt(from)))
}

/** One hour in one state, by the same meters as a month. */
export function meteredHour(state: PowerState, book: PriceBook, from: Span['from']): MeteredMonth {
  const hour = { from, to: instant(from + 3_600) }
  return measure(
    { month: hour, segments: [{ phase: state, ...hour }], on: [] },
    {
      ...book,
      billing: { ...book.billing, minimumSeconds: 0, incrementSeconds: 1 },
    },
  )
}

/**
 * A month in which nothing but machine time is charged, for one run of `length` seconds from the month's start. The
 * machine is deleted after it, or there throughout.
 */
export function meteredRun(month: Span, length: number, existsThroughout = false): MeteredMonth {
  const whole = piecesLater(lengthOf(month), () => [
    toPiece({ state: 'running', from: month.from, to: month.to }),
  ])
  const run = { state: 'running', from: month.from, to: instant(month.from + length) } as const
  const pieces = length > 0 ? piecesLater(length, () => [toPiece(run)]) : NO_PIECES
  const time: ChargedTime = {
    charged: seconds(length),
    trueTime: seconds(length),
    added: seconds(0),
    runs: length > 0 ? 1 : 0,
    minimumSeconds: 0,
    incrementSeconds: 1,
  }
  const wholeTime = { ...time, charged: lengthOf(month), trueTime: lengthOf(month) }
  const throughout: RunPieces = { time: wholeTime, pieces: whole }
  return {
    timeline: { month, segments: [{ phase: 'running', from: run.from, to: run.to }], on: [run] },
    phases: new Map([['running', seconds(length)]]),
    onTime: seconds(length),
    starts: 0,
    compute: { time, pieces },
    flat: existsThroughout ? throughout : { time, pieces },
    running: pieces,
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
  let state: PowerState | undefined
  let from = month.from
  for (const segment of segments) {
    if (segment.to <= month.from) continue
    if (segment.from >= month.to) break
    const next = STATE_OF_PHASE[segment.phase]
    if (next === state) continue
    const at = instant(Math.max(segment.from, month.from))
    if (state !== undefined) stays.push({ state, from, to: at })
    state = next
    from = at
  }
  if (state !== undefined) stays.push({ state, from, to: month.to })
  return stays
}

const runningStays = ({ segments, month }: MonthTimeline): Stay[] =>
  clipSegments(segments, month).flatMap(({ phase, from, to }) =>
    phase === 'running' ? [{ state: 'running', from, to }] : [],
  )

function cutStays(stays: readonly Stay[], spans: readonly Span[]): Stay[] {
  const edges = spans.flatMap(({ from, to }) => [from, to])
  const cut: Stay[] = []
  let i = 0
  for (const { state, from, to } of stays) {
    let begins = from
    while (i < edges.length && edges[i]! <= begins) i += 1
    for (; i < edges.length && edges[i]! < to; i += 1) {
      cut.push({ state, from: begins, to: edges[i]! })
      begins = edges[i]!
    }
    cut.push({ state, from: begins, to })
  }
  return cut
}

const toPiece = (stay: Stay): Piece => ({
  from: stay.from,
  to: stay.to,
  state: stay.state,
  ticks: lengthOf(stay),
  added: 0,
})

const onceAt = (from: Span['from']): Piece => ({
  from,
  to: instant(from + 1),
  state: 'running',
  ticks: 1,
  added: 1,
})

/** Runs, cut where the state changes; what rounding adds stands on the last part of its run. O(runs + stays). */
function runPieces(runs: readonly ChargedRun[], stays: readonly Stay[]): Piece[] {
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
  return pieces
}
