import { csvText, type CsvOptions } from '../reading/csvText.ts'
import type { EstimateReport, PaidForReport } from './estimateReport.ts'

const COLUMNS = [
  'row',
  'machine',
  'provider',
  'edition',
  'terms',
  'meter',
  'amount',
  'always on',
  'kept',
  'asked for',
  'leak',
  'saved',
  'currency',
  'quantity',
  'units',
  'rate',
  'per',
  'rate at',
] as const

/**
 * An estimate as CSV: the lines of each machine, its total, and the plan's at the end, told apart in the first column;
 * then machines without a price, and the release of the time zone data as an edition. Amounts are exact to 12 places.
 */
export function estimateCsv(
  { machines, unpriced, total, timeZoneData }: EstimateReport,
  options?: CsvOptions,
): string {
  const rows = machines.flatMap(({ name, provider, edition, terms, currency, lines, ...machine }) => {
    const head = [name, provider, edition, terms]
    return [
      ...lines.map(({ meter, rate, per, rateAt, units, quantity, amount }) =>
        row(
          'line',
          head,
          meter,
          [amount, '', '', '', '', '', currency],
          [quantity, units, rate, per, rateAt],
        ),
      ),
      row('machine', head, '', [machine.total, machine.alwaysOn, ...parts(machine.paidFor), currency]),
    ]
  })
  const { currency } = total
  return csvText(
    [
      COLUMNS,
      ...rows,
      row('plan', [], '', [total.planned, total.alwaysOn, ...parts(total.paidFor), currency]),
      ...(total.withTax === undefined
        ? []
        : [row('plan with tax', [], '', [total.withTax, '', '', '', '', '', currency])]),
      ...unpriced.map(({ name, provider }) => row('without a price', [name, provider], '', [])),
      row('time zone data', ['', '', timeZoneData], '', []),
    ],
    options,
  )
}

const parts = ({ kept, asked, leak, saved }: PaidForReport): string[] => [kept, asked, leak, saved]

/** Cells of one row; what is not given stays empty. */
function row(
  kind: string,
  head: readonly string[],
  meter: string,
  amounts: readonly string[],
  arithmetic: readonly string[] = [],
): string[] {
  const filled = (cells: readonly string[], count: number): string[] =>
    Array.from({ length: count }, (_, i) => cells[i] ?? '')
  return [kind, ...filled(head, 4), meter, ...filled(amounts, 7), ...filled(arithmetic, 5)]
}
