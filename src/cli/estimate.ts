import { Command, Option } from 'commander'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { compare } from '../core/quantity/exact.ts'
import { estimateCsv } from '../files/estimate/estimateCsv.ts'
import { estimateMarkdown } from '../files/estimate/estimateMarkdown.ts'
import { estimateTable } from '../files/estimate/estimateTable.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import { isAmount } from '../files/rules.ts'
import { checkCommand } from './checkCommand.ts'
import { compareCommand } from './compareCommand.ts'
import { EXIT, questionOf, refuse, reportOf, withCommonOptions, type CommonOptions } from './inputs.ts'

interface Options extends CommonOptions {
  readonly plan: string
  readonly machine?: string
  readonly format: keyof typeof FORMATS
  readonly failOver?: string
}

const FORMATS = {
  table: estimateTable,
  json: (report: EstimateReport) => `${JSON.stringify(report, null, 2)}\n`,
  csv: estimateCsv,
  markdown: estimateMarkdown,
} as const

function run(options: Options): void {
  const { failOver, machine, plan } = options
  if (failOver !== undefined && !isAmount(failOver)) {
    refuse([`--fail-over: Found "${failOver}". Expected: an amount such as 600 or 1200.50.`])
  }
  const report = reportOf(plan, { ...questionOf(plan, options), machine })
  process.stdout.write(FORMATS[options.format](report))
  if (failOver === undefined) return
  const { planned, currency } = report.total
  if (compare(parseDecimal(planned)!, parseDecimal(failOver)!) <= 0) return
  process.stderr.write(`The month costs ${planned} ${currency}: more than ${failOver}.\n`)
  process.exitCode = EXIT.overBudget
}

const program = withCommonOptions(
  new Command()
    .name('estimate')
    .description('Prices a plan for one month, by the same calculation as the screen.')
    .requiredOption('--plan <file>', 'plan file'),
)
  .option('--machine <name>', 'only this machine')
  .addOption(new Option('--format <format>', 'how to print').choices(Object.keys(FORMATS)).default('table'))
  .option('--fail-over <amount>', `end with status ${EXIT.overBudget} when the month costs more, before tax`)
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : EXIT.badInput))
  .action(run)

/** The first word tells which command it is; without one, a plan is priced. */
const COMMANDS: Record<string, Command> = { compare: compareCommand, check: checkCommand }
const [, , word = '', ...rest] = process.argv
const command = COMMANDS[word]
if (command) command.parse(rest, { from: 'user' })
else program.addHelpText('after', '\nOther commands: compare, check; each with --help.').parse()
