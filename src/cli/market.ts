import { Command, Option } from 'commander'
import { marketCsv } from '../files/market/marketCsv.ts'
import { MOST_LISTED, USUALLY_LISTED } from '../files/market/marketLimits.ts'
import { marketReport, type MarketReport } from '../files/market/marketReport.ts'
import { marketTable } from '../files/market/marketTable.ts'
import { issueLine } from '../files/reading/fileIssue.ts'
import type { CommandRun } from './CommandRun.ts'
import { digitsOf, digitsOption, questionOf, withCommonOptions, type CommonOptions } from './inputs.ts'
import { runProgram } from './runProgram.ts'

interface Options extends CommonOptions {
  readonly plan: string
  readonly machine: string
  readonly top: string
  readonly format: keyof typeof FORMATS
  readonly digits: string
  readonly bom?: true
}

const FORMATS = {
  table: (report, { digits }) => marketTable(report, digitsOf(digits)),
  json: (report) => `${JSON.stringify(report, null, 2)}\n`,
  csv: (report, { bom }) => marketCsv(report, { byteOrderMark: bom }),
} as const satisfies Record<string, (report: MarketReport, options: Options) => string>

/** `npm run --silent market -- --plan P --machine NAME --book B --month M`. */
export async function runMarket(args: readonly string[], run: CommandRun): Promise<number> {
  const program = withCommonOptions(
    new Command('market')
      .exitOverride()
      .configureOutput({ writeOut: run.print, writeErr: run.complain })
      .description(
        'Lists everything that fits one machine of a plan, wherever it is sold, the cheapest first.',
      )
      .requiredOption('--plan <file>', 'plan file (required)')
      .requiredOption('--machine <name>', 'machine of the plan (required)'),
  )
    .option('--top <count>', `how many are listed, up to ${MOST_LISTED}`, String(USUALLY_LISTED))
    .addOption(new Option('--format <format>', 'how to print').choices(Object.keys(FORMATS)).default('table'))
    .addOption(digitsOption())
    .option('--bom', 'begin CSV with a byte-order mark, by which spreadsheets know UTF-8')
    .action((options: Options) => list(run, options))
  return runProgram(program, args, run)
}

function list(run: CommandRun, options: Options): void {
  const { plan, machine, top } = options
  const count = /^\d{1,4}$/.test(top) ? Number(top) : 0
  if (count < 1 || count > MOST_LISTED) {
    run.refuse([`--top: Found "${top}". Expected: a whole number from 1 to ${MOST_LISTED}.`])
  }
  const report = marketReport({ ...questionOf(run, plan, options), machine }, count)
  if (!report.ok) return run.refuse(report.issues.map((issue) => issueLine(issue, plan)))
  run.print(FORMATS[options.format](report.value, options))
}
