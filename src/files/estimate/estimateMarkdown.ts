import { markdownText } from '../handoff/sheetMarkdown.ts'
import { estimateRows, type TableDigits } from './estimateTable.ts'
import type { EstimateReport } from './estimateReport.ts'

/** An estimate as a Markdown table. */
export function estimateMarkdown(report: EstimateReport, digits: TableDigits = 2): string {
  const [head = [], ...rows] = estimateRows(report, digits)
  const line = (cells: readonly string[]): string => `| ${cells.map(markdownText).join(' | ')} |`
  return [
    `# ${markdownText(report.plan)}, ${report.month}`,
    '',
    line(head),
    '| --- | ---: | ---: | ---: | ---: | ---: | ---: | --- |',
    ...rows.map(line),
    '',
  ].join('\n')
}
