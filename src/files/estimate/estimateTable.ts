import type { EstimateReport } from './estimateReport.ts'

const ON_PHASES = ['running', 'starting', 'waking', 'creating'] as const

const READING = { calendar: '', '730-hours': ', read as 730 hours' } as const

/** Cells of a table with its head first and its totals last: machine, hours on, month, always on, currency. */
export function estimateRows(report: EstimateReport): string[][] {
  const head = ['machine', 'hours on', 'month', 'always on', '']
  const rows = report.machines.map(({ name, secondsByPhase, total, alwaysOn, currency }) => {
    const on = ON_PHASES.reduce((sum, phase) => sum + (secondsByPhase[phase] ?? 0), 0)
    return [name, String(Math.round(on / 36) / 100), total, alwaysOn, currency]
  })
  const { total } = report
  const foot = [
    ['total', '', total.planned, total.alwaysOn, total.currency],
    ...(total.withTax === undefined ? [] : [['with tax', '', total.withTax, '', total.currency]]),
    ...total.withoutRate.map((currency) => [`without ${currency}: no rate`, '', '', '', '']),
  ]
  return [head, ...rows, ...foot]
}

/** A report as a table for people: names left, figures right, to the last digit. */
export function estimateTable(report: EstimateReport): string {
  const all = estimateRows(report)
  const head = all[0]!
  const widths = head.map((_, column) => Math.max(...all.map((row) => row[column]!.length)))
  const lines = all.map((row) =>
    row
      .map((cell, column) =>
        column === 0 || column === 4 ? cell.padEnd(widths[column]!) : cell.padStart(widths[column]!),
      )
      .join('  ')
      .trimEnd(),
  )
  return `${report.plan}, ${report.month}${READING[report.reading]}\n\n${lines.join('\n')}\n`
}
