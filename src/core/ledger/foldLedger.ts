import type { LocalDay } from '../calendar/localDays.ts'
import { METERS, type Meter } from '../meter/charge.ts'
import { MONTH_PARTS } from '../meter/monthPart.ts'
import { POWER_STATES, type PowerState } from '../off/powerState.ts'
import type { Fold } from './fold.ts'
import type { Ledger } from './ledger.ts'

/** Empty sets let everything through. */
export interface LedgerFilter {
  readonly meters: ReadonlySet<Meter>
  readonly states: ReadonlySet<PowerState>
}

/** Rows that belong together. Amounts of different currencies are never added: one sum for each. */
export interface LedgerGroup {
  /** The meter, the part of the month, the machine's index, the day's index; one group of all rows in time order. */
  readonly key: string
  readonly rows: Uint32Array
  readonly sums: ReadonlyMap<string, number>
}

/** The rows that pass, in time order. O(rows). */
export function filterLedger(ledger: Ledger, { meters, states }: LedgerFilter): Uint32Array {
  if (meters.size === 0 && states.size === 0) return ledger.byTime
  const meterPasses = ledger.lines.map(({ charge }) => meters.size === 0 || meters.has(charge.meter))
  const statePasses = POWER_STATES.map((state) => states.size === 0 || states.has(state))
  return ledger.byTime.filter((row) => meterPasses[ledger.line[row]!]! && statePasses[ledger.state[row]!]!)
}

/**
 * Groups in the order of the bill's meters, of the parts of a month, of the days, or of the plan; rows of a group stay
 * in time order. By parts of a month the ledger must be laid out by them; a RangeError else. O(rows).
 */
export function foldLedger(
  ledger: Ledger,
  rows: Uint32Array,
  fold: Fold,
  days: readonly LocalDay[],
): LedgerGroup[] {
  if (fold === 'time') return [{ key: 'all', rows, sums: sumsOf(ledger, rows) }]
  const groupOf = groupIndex(ledger, fold, days)
  const members = new Map<number, number[]>()
  for (const row of rows) {
    const group = groupOf(row)
    const found = members.get(group)
    if (found) found.push(row)
    else members.set(group, [row])
  }
  return [...members]
    .sort(([a], [b]) => a - b)
    .map(([group, own]) => {
      const list = Uint32Array.from(own)
      return {
        key: fold === 'meter' ? METERS[group]! : fold === 'part' ? MONTH_PARTS[group]! : String(group),
        rows: list,
        sums: sumsOf(ledger, list),
      }
    })
}

function groupIndex(
  ledger: Ledger,
  fold: Exclude<Fold, 'time'>,
  days: readonly LocalDay[],
): (row: number) => number {
  switch (fold) {
    case 'meter': {
      const byLine = ledger.lines.map(({ charge }) => METERS.indexOf(charge.meter))
      return (row) => byLine[ledger.line[row]!]!
    }
    case 'part': {
      const byLine = ledger.lines.map(({ part }) => {
        if (!part) throw new RangeError('a ledger that was not laid out by parts is folded by them')
        return MONTH_PARTS.indexOf(part)
      })
      return (row) => byLine[ledger.line[row]!]!
    }
    case 'machine':
      return (row) => ledger.lines[ledger.line[row]!]!.machine
    case 'day':
      // Rows laid out by days lie inside one; what rounding added at a day's end has no length and belongs to it.
      return (row) => {
        const at = ledger.to[row]! > ledger.from[row]! ? ledger.from[row]! : ledger.from[row]! - 1
        return Math.max(0, lastAtOrBefore(days, at))
      }
  }
}

function lastAtOrBefore(days: readonly LocalDay[], at: number): number {
  let low = 0
  let high = days.length - 1
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (days[middle]!.span.from <= at) low = middle
    else high = middle - 1
  }
  return low
}

/** Sums of what is shown, by currency, in units of the last decimal place. */
export function sumsOf(ledger: Ledger, rows: Uint32Array): Map<string, number> {
  const sums = new Map<string, number>()
  const currencyOfLine = ledger.lines.map(({ machine }) => ledger.machines[machine]!.currency)
  for (const row of rows) {
    const currency = currencyOfLine[ledger.line[row]!]!
    sums.set(currency, (sums.get(currency) ?? 0) + ledger.shown[row]!)
  }
  return sums
}
