import { Command, Option } from 'commander'
import { billCompareCommand, COMPARISON_FORMATS, type BillCompareOptions } from './billCompareCommand.ts'
import { billPlanCommand, type BillPlanOptions } from './billPlanCommand.ts'
import { BILL_FORMATS, billReadCommand, type BillReadOptions } from './billReadCommand.ts'
import { EXIT, type CommandRun } from './CommandRun.ts'
import { runProgram } from './runProgram.ts'
import { withCommonOptions } from './inputs.ts'

/** Of every command that reads a bill. */
const recipeOption = (): Option =>
  new Option(
    '--recipe <file>',
    'how a bill that does not follow FOCUS is read; may be given several times',
  ).argParser((path: string, all: readonly string[] | undefined) => [...(all ?? []), path])

/** `npm run --silent bill -- read BILL...`, or `... compare --plan P --book B --month M BILL...`. */
export async function runBill(args: readonly string[], run: CommandRun): Promise<number> {
  const program = new Command('bill')
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
  program
    .command('read <bill...>')
    .description('Reads a bill in the FOCUS format (CSV, gzipped, zipped, in parts) and says what it holds.')
    .addOption(new Option('--format <format>', 'how to print').choices(BILL_FORMATS).default('table'))
    .option('--zone <zone>', 'IANA zone in which days begin', 'Etc/UTC')
    .addOption(recipeOption())
    .action((files: readonly string[], options: BillReadOptions) => billReadCommand(files, options, run))
  program
    .command('plan <bill...>')
    .description('Makes a plan of what is on a bill, and a price book of nothing but that.')
    .requiredOption('--out <file>', 'plan file to write (required)')
    .requiredOption('--book-out <file>', 'price book to write; numbered where there are several (required)')
    .option('--month <month>', 'billing month; the newest on the bill when absent')
    .option('--zone <zone>', 'IANA zone of the weeks', 'Etc/UTC')
    .addOption(recipeOption())
    .action((files: readonly string[], options: BillPlanOptions) => billPlanCommand(files, options, run))
  withCommonOptions(
    program
      .command('compare <bill...>')
      .description('Says in causes that add up why a bill is not what was planned.')
      .requiredOption('--plan <file>', 'plan file (required)'),
  )
    .addOption(new Option('--format <format>', 'how to print').choices(COMPARISON_FORMATS).default('table'))
    .option(
      '--threshold <amount>',
      `end with status ${EXIT.otherThanPlanned} when more than this was billed beyond the plan, or is unexplained`,
    )
    .addOption(recipeOption())
    .action((files: readonly string[], options: BillCompareOptions) =>
      billCompareCommand(files, options, run),
    )
  return runProgram(program, args, run)
}
