import { markdownText } from '../handoff/sheetMarkdown.ts'
import { estimateRows } from './estimateTable.ts'
import type { EstimateReport } from './estimateReport.ts'

/** An estimate as a Markdown table, to the last digit. */
export function estimateMarkdown(report: EstimateReport): string {
  const [head = [], ...rows] = estimateRows(report)
  const line = (cells: readonly string[]): string => `| ${cells.map(markdownText).join(' | ')} |`
  return [
    `# ${markdownText(report.plan)}, ${report.month}`,
    '',
    line(head),
    '| --- | ---: | ---: | ---: | --- |',
    ...rows.map(line),
    '',
  ].join('\n')
}
