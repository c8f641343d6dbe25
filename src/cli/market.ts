import { Command, Option } from 'commander'
import type { Machine, Plan } from '../core/machine/plan.ts'
import { marketCsv } from '../files/market/marketCsv.ts'
import { MOST_LISTED, USUALLY_LISTED } from '../files/market/marketLimits.ts'
import { marketOffers, type MarketReport } from '../files/market/marketReport.ts'
import { marketTable } from '../files/market/marketTable.ts'
import { writePlan } from '../files/plan/planFile.ts'
import { issueLine } from '../files/reading/fileIssue.ts'
import type { CommandRun } from './CommandRun.ts'
import { digitsOf, digitsOption, questionOf, withCommonOptions, type CommonOptions } from './inputs.ts'
import { runProgram } from './runProgram.ts'
import { writeOut } from './writeOut.ts'

interface Options extends CommonOptions {
  readonly plan: string
  readonly machine: string
  readonly top: string
  readonly format: keyof typeof FORMATS
  readonly digits: string
  readonly bom?: true
  readonly take?: string
  readonly out?: string
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
    .option('--take <number>', 'write the plan with this one of the listed offers taken; with --out')
    .option('--out <file>', 'plan file to write')
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
  if ((options.take === undefined) !== (options.out === undefined)) {
    run.refuse(['--take and --out go together. Expected: --take NUMBER --out FILE.'])
  }
  const question = questionOf(run, plan, options)
  const found = marketOffers({ ...question, machine }, count)
  if (!found.ok) return run.refuse(found.issues.map((issue) => issueLine(issue, plan)))
  const { report, machines } = found.value
  const { take, out } = options
  if (take !== undefined && out !== undefined) {
    const taken = /^\d{1,4}$/.test(take) ? machines[Number(take) - 1] : undefined
    if (!taken) {
      const listed =
        machines.length === 0 ? 'an offer, and nothing fits' : `a whole number from 1 to ${machines.length}`
      return run.refuse([`--take: Found "${take}". Expected: ${listed}.`])
    }
    writeOut(out, writePlan(withMachine(question.plan, taken)), run)
  }
  run.print(FORMATS[options.format](report, options))
}

const withMachine = (plan: Plan, taken: Machine): Plan => ({
  ...plan,
  machines: plan.machines.map((each) => (each.name === taken.name ? taken : each)),
})
