import { Command, Option } from 'commander'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { compare } from '../core/quantity/exact.ts'
import { estimateCsv } from '../files/estimate/estimateCsv.ts'
import { estimateMarkdown } from '../files/estimate/estimateMarkdown.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import { estimateTable } from '../files/estimate/estimateTable.ts'
import { isAmount } from '../files/reading/moneyText.ts'
import { EXIT, type CommandRun } from './CommandRun.ts'
import {
  digitsOf,
  digitsOption,
  questionOf,
  reportOf,
  sayUnpriced,
  withCommonOptions,
  type CommonOptions,
} from './inputs.ts'

interface Options extends CommonOptions {
  readonly plan: string
  readonly machine?: string
  readonly format: keyof typeof FORMATS
  readonly failOver?: string
  readonly digits: string
  readonly bom?: true
}

type Print = (report: EstimateReport, options: Options) => string

const FORMATS = {
  table: (report, { digits }) => estimateTable(report, digitsOf(digits)),
  json: (report) => `${JSON.stringify(report, null, 2)}\n`,
  csv: (report, { bom }) => estimateCsv(report, { byteOrderMark: bom }),
  markdown: (report, { digits }) => estimateMarkdown(report, digitsOf(digits)),
} as const satisfies Record<string, Print>

/** Without a word before its options: a plan is priced. */
export const priceCommand = (run: CommandRun): Command =>
  withCommonOptions(
    new Command()
      .name('estimate')
      .description('Prices a plan for one month, by the same calculation as the screen.')
      .requiredOption('--plan <file>', 'plan file (required)'),
  )
    .option('--machine <name>', 'only this machine')
    .addOption(new Option('--format <format>', 'how to print').choices(Object.keys(FORMATS)).default('table'))
    .addOption(digitsOption())
    .option('--bom', 'begin CSV with a byte-order mark, by which spreadsheets know UTF-8')
    .option(
      '--fail-over <amount>',
      `end with status ${EXIT.overBudget} when the month as shown, to the cent and before tax, costs more`,
    )
    .addHelpText(
      'after',
      `\nEnds with ${EXIT.unpriced} when machines without a price book for the month are left out, with ${EXIT.badInput} on bad input.\nOther commands: compare, check; each with --help.`,
    )
    .action((options: Options) => price(run, options))

function price(run: CommandRun, options: Options): void {
  const { failOver, machine, plan } = options
  if (failOver !== undefined && !isAmount(failOver)) {
    run.refuse([`--fail-over: Found "${failOver}". Expected: an amount such as 600 or 1200.50.`])
  }
  const report = reportOf(run, plan, { ...questionOf(run, plan, options), machine })
  run.print(FORMATS[options.format](report, options))
  if (failOver !== undefined) failWhenOver(run, report, failOver)
  sayUnpriced(run, report)
}

/** Compares what is shown, to the cent. */
function failWhenOver(run: CommandRun, { total: { shown, currency } }: EstimateReport, most: string): void {
  if (compare(parseDecimal(shown.planned)!, parseDecimal(most)!) <= 0) return
  run.complain(`The month costs ${shown.planned} ${currency}: more than ${most}.\n`)
  run.endWith(EXIT.overBudget)
}
