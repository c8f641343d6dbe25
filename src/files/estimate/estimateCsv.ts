import { csvText } from '../csvText.ts'
import type { EstimateReport } from './estimateReport.ts'

const COLUMNS = [
  'row',
  'machine',
  'provider',
  'edition',
  'terms',
  'meter',
  'rate',
  'per',
  'rate at',
  'units',
  'quantity',
  'amount',
  'always on',
  'currency',
] as const

/**
 * An estimate as CSV: the lines of each machine, its total, and the plan's at the end, told apart in the first column;
 * then machines without a price, and the release of the time zone data as an edition. Amounts are exact to 12 places.
 */
export function estimateCsv({ machines, unpriced, total, timeZoneData }: EstimateReport): string {
  const rows = machines.flatMap(({ name, provider, edition, terms, currency, lines, ...machine }) => {
    const head = [name, provider, edition, terms]
    return [
      ...lines.map(({ meter, rate, per, rateAt, units, quantity, amount }) => [
        'line',
        ...head,
        meter,
        rate,
        per,
        rateAt,
        units,
        quantity,
        amount,
        '',
        currency,
      ]),
      ['machine', ...head, '', '', '', '', '', '', machine.total, machine.alwaysOn, currency],
    ]
  })
  const plan = (row: string, amount: string, alwaysOn: string): string[] => [
    row,
    ...Array<string>(10).fill(''),
    amount,
    alwaysOn,
    total.currency,
  ]
  return csvText([
    COLUMNS,
    ...rows,
    plan('plan', total.planned, total.alwaysOn),
    ...(total.withTax === undefined ? [] : [plan('plan with tax', total.withTax, '')]),
    ...unpriced.map(({ name, provider }) => [
      'without a price',
      name,
      provider,
      ...Array<string>(11).fill(''),
    ]),
    ['time zone data', '', '', timeZoneData, ...Array<string>(10).fill('')],
  ])
}
