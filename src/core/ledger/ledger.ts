import type { LocalDay } from '../calendar/localDays.ts'
import type { Charge } from '../meter/charge.ts'
import { amountOf } from '../meter/makeCharge.ts'
import type { MonthPart } from '../meter/monthPart.ts'
import { ticksWithin, type Piece } from '../meter/pieces.ts'
import { POWER_STATES, type PowerState } from '../off/powerState.ts'
import { Apportioned } from './apportion.ts'
import { instant, type Span } from '../quantity/units.ts'

/** One machine's charges, ready to be laid out. */
export interface LedgerMachine {
  readonly name: string
  readonly provider: string
  readonly edition: string
  readonly currency: string
  readonly charges: readonly Charge[]
  /** What each charge was for, where charges are cut so that it is one thing. */
  readonly parts?: readonly MonthPart[]
}

/** A charge of a machine: what all its rows share. The list of its pieces is left out: they are the rows. */
interface LedgerLine {
  /** Index into the machines. */
  readonly machine: number
  readonly charge: Charge
  readonly part?: MonthPart
}

/**
 * Every charge of a month as rows: one for each unbroken stay in a power state, or, laid out by days, for each part of
 * a stay in a day. Columns side by side, so that a hundred thousand rows cross from a worker in a few megabytes:
 * 41 bytes a row.
 */
export interface Ledger {
  readonly machines: readonly Omit<LedgerMachine, 'charges'>[]
  readonly lines: readonly LedgerLine[]
  /** Index into the lines. */
  readonly line: Uint32Array
  readonly from: Float64Array
  readonly to: Float64Array
  /** What the row counts of its charge's ticks. */
  readonly ticks: Float64Array
  /** Index into POWER_STATES. */
  readonly state: Uint8Array
  /** The amount as it is shown, in units of the last decimal place. */
  readonly shown: Float64Array
  readonly decimals: number
  /** Rows in time order, equal ones in the order of the bill. */
  readonly byTime: Uint32Array
}

export interface LedgerRow {
  readonly line: LedgerLine
  readonly span: Span
  readonly ticks: number
  readonly state: PowerState
  /** Units of the last decimal place. */
  readonly shown: number
}

export const ledgerRow = (ledger: Ledger, row: number): LedgerRow => ({
  line: ledger.lines[ledger.line[row]!]!,
  span: { from: instant(ledger.from[row]!), to: instant(ledger.to[row]!) },
  ticks: ledger.ticks[row]!,
  state: POWER_STATES[ledger.state[row]!]!,
  shown: ledger.shown[row]!,
})

/**
 * Lays charges out as rows. One rule makes them add up: in the order of a machine's bill, each line is the step between
 * the running sums, rounded half away from zero, and each row a step within it. Where rows are cut at days, days are such
 * steps too: see `Apportioned`. So a machine's rows add up to its total as it is shown everywhere, the rows of one line
 * to that line, and those of a day to that day. O(rows + lines × days); sorting by time O(rows × log rows).
 */
export function layLedger(
  machines: readonly LedgerMachine[],
  decimals: number,
  days?: readonly LocalDay[],
): Ledger {
  const lines = machines.flatMap(({ charges, parts }, machine) =>
    charges.map((charge, i): LedgerLine => {
      const part = parts?.[i]
      return { machine, charge, ...(part && { part }) }
    }),
  )
  const most = lines.reduce((sum, { charge }) => sum + charge.pieces.list.length * (days?.length ?? 1), 0)
  const columns = {
    line: new Uint32Array(most),
    from: new Float64Array(most),
    to: new Float64Array(most),
    ticks: new Float64Array(most),
    state: new Uint8Array(most),
    shown: new Float64Array(most),
  }
  let rows = 0
  let table = new Apportioned(days?.length ?? 1, decimals)
  let machineAt = -1
  lines.forEach(({ machine, charge }, at) => {
    if (machine !== machineAt) {
      machineAt = machine
      table = new Apportioned(days?.length ?? 1, decimals)
    }
    const parts = charge.pieces.list.flatMap((piece) =>
      [...partsOf(piece, days)].map((part) => ({ ...part, state: piece.state })),
    )
    const cells = (days ?? [undefined]).map((): typeof parts => [])
    for (const part of parts) cells[part.column]!.push(part)
    const shown = table.line(cells.map((cell) => cell.map(({ ticks }) => amountOf(charge, ticks))))
    cells.forEach((cell, column) =>
      cell.forEach((part, i) => {
        columns.line[rows] = at
        columns.from[rows] = part.from
        columns.to[rows] = part.to
        columns.ticks[rows] = part.ticks
        columns.state[rows] = POWER_STATES.indexOf(part.state)
        columns.shown[rows] = shown[column]![i]!
        rows += 1
      }),
    )
  })
  const cut = <T extends Uint32Array | Float64Array | Uint8Array>(column: T): T => column.slice(0, rows) as T
  const from = cut(columns.from)
  return {
    machines: machines.map(({ name, provider, edition, currency }) => ({
      name,
      provider,
      edition,
      currency,
    })),
    lines: lines.map((line) => ({ ...line, charge: withoutPieces(line.charge) })),
    line: cut(columns.line),
    from,
    to: cut(columns.to),
    ticks: cut(columns.ticks),
    state: cut(columns.state),
    shown: cut(columns.shown),
    decimals,
    byTime: Uint32Array.from({ length: rows }, (_, row) => row).sort((a, b) => from[a]! - from[b]! || a - b),
  }
}

const withoutPieces = (charge: Charge): Charge => ({
  ...charge,
  pieces: { ticks: charge.pieces.ticks, list: [] },
})

function* partsOf(
  piece: Piece,
  days: readonly LocalDay[] | undefined,
): Generator<Span & { readonly ticks: number; readonly column: number }> {
  if (!days) {
    yield { from: piece.from, to: piece.to, ticks: piece.ticks, column: 0 }
    return
  }
  for (const [column, { span }] of days.entries()) {
    if (span.to < piece.from) continue
    if (span.from >= piece.to) return
    const ticks = ticksWithin(piece, span)
    if (ticks === 0) continue
    yield {
      from: instant(Math.max(piece.from, span.from)),
      to: instant(Math.min(piece.to, span.to)),
      ticks,
      column,
    }
  }
}
