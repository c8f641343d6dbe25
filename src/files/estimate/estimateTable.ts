import { parseDecimal, toDecimal } from '../../core/quantity/decimal.ts'
import type { EstimateReport, PaidForReport } from './estimateReport.ts'

const ON_PHASES = ['running', 'starting', 'waking', 'creating'] as const

const READING = { calendar: '', '730-hours': ', read as 730 hours' } as const

/** To the cent, as the screen has them, or to the last digit. */
export const TABLE_DIGITS = [2, 12] as const
export type TableDigits = (typeof TABLE_DIGITS)[number]

/** Cells of a table with its head first and its totals last: machine, hours on, what the month is paid for, month, always on, currency. */
export function estimateRows(report: EstimateReport, digits: TableDigits): string[][] {
  const read = (amount: string): string => (digits === 12 ? amount : toDecimal(parseDecimal(amount)!, digits))
  const head = ['machine', 'hours on', 'kept', 'asked for', 'leak', 'month', 'always on', '']
  const rows = report.machines.map(({ name, secondsByPhase, paidFor, total, alwaysOn, currency }) => {
    const on = ON_PHASES.reduce((sum, phase) => sum + (secondsByPhase[phase] ?? 0), 0)
    return [
      name,
      String(Math.round(on / 36) / 100),
      ...partsOf(paidFor, read),
      read(total),
      read(alwaysOn),
      currency,
    ]
  })
  const { total } = report
  // Not the exact total rounded, but the sum of what the rows show.
  const { planned, alwaysOn, paidFor, withTax } = digits === 12 ? total : total.shown
  const foot = [
    ['total', '', ...partsOf(paidFor), planned, alwaysOn, total.currency],
    ...(withTax === undefined ? [] : [['with tax', '', '', '', '', withTax, '', total.currency]]),
    ...report.unpriced.map(({ name, problem }) => [`without ${name}: ${problem}`, ...NO_FIGURES]),
    ...total.withoutRate.map((currency) => [`without ${currency}: no rate`, ...NO_FIGURES]),
  ]
  return [head, ...rows, ...foot]
}

const NO_FIGURES = ['', '', '', '', '', '', '']

const partsOf = (
  { kept, asked, leak }: PaidForReport,
  read: (amount: string) => string = (amount) => amount,
): string[] => [kept, asked, leak].map(read)

/** A report as a table for people: names left, figures right. */
export function estimateTable(report: EstimateReport, digits: TableDigits = 2): string {
  const all = estimateRows(report, digits)
  const head = all[0]!
  // What is said of machines without figures may run on.
  const figures = all.filter((row) => row.slice(1, -1).some((cell) => cell !== ''))
  const widths = head.map((_, column) => Math.max(...figures.map((row) => row[column]!.length)))
  const lines = all.map((row) =>
    row
      .map((cell, column) =>
        column === 0 || column === head.length - 1
          ? cell.padEnd(widths[column]!)
          : cell.padStart(widths[column]!),
      )
      .join('  ')
      .trimEnd(),
  )
  return `${report.plan}, ${report.month}${READING[report.reading]}\n\n${lines.join('\n')}\n`
}
