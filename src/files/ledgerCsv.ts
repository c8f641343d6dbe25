import type { MonthReading } from '../core/calendar/billingMonth.ts'
import { amountOf } from '../core/meter/makeCharge.ts'
import { ledgerRow, type Ledger } from '../core/ledger/ledger.ts'
import { ZONE_RELEASE } from '../core/calendar/zoneData.ts'
import { csvText, type CsvOptions } from './reading/csvText.ts'
import { MOST_DECIMALS, toDecimal, trimDecimal, unitsToDecimal } from '../core/quantity/decimal.ts'

const COLUMNS = [
  'machine',
  'provider',
  'edition',
  'month read as',
  'from (UTC)',
  'to (UTC)',
  'state',
  'meter',
  'what',
  'amount',
  'currency',
  'exact amount',
  'seconds',
  'units',
  'rate',
  'rate per',
  'rule',
  'time zone data',
  'rate at',
] as const

const isoInstant = (at: number): string => new Date(at * 1_000).toISOString().replace('.000Z', 'Z')

/**
 * Rows of a ledger as CSV (RFC 4180), with a header. Cells that a spreadsheet would take for a formula begin with an
 * apostrophe. `describe` says in words what a charge is for and by which rule.
 */
export function writeLedgerCsv(
  ledger: Ledger,
  rows: Uint32Array,
  reading: MonthReading,
  describe: (charge: Ledger['lines'][number]['charge']) => { readonly what: string; readonly rule: string },
  options?: CsvOptions,
): string {
  const words = ledger.lines.map(({ charge }) => describe(charge))
  const data = Array.from(rows, (at) => {
    const { line, span, ticks, state, shown } = ledgerRow(ledger, at)
    const { charge } = line
    const machine = ledger.machines[line.machine]!
    const { what, rule } = words[ledger.line[at]!]!
    return [
      machine.name,
      machine.provider,
      machine.edition,
      reading,
      isoInstant(span.from),
      isoInstant(span.to),
      state,
      charge.meter,
      what,
      unitsToDecimal(BigInt(shown), ledger.decimals),
      machine.currency,
      trimDecimal(toDecimal(amountOf(charge, ticks), MOST_DECIMALS)),
      charge.ticksPerSecond === 0 ? '' : String(ticks / charge.ticksPerSecond),
      trimDecimal(toDecimal(charge.units, MOST_DECIMALS)),
      charge.rate.text,
      charge.rate.per,
      rule,
      ZONE_RELEASE,
      charge.rate.pointer,
    ]
  })
  return csvText([COLUMNS, ...data], options)
}
