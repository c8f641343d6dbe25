import { Command, CommanderError, Option } from 'commander'
import { BILL_FORMATS, billReadCommand, type BillReadOptions } from './billReadCommand.ts'
import { EXIT, RunEnded, type CommandRun } from './CommandRun.ts'

/** `npm run --silent bill -- read BILL...` */
export async function runBill(args: readonly string[], run: CommandRun): Promise<number> {
  const program = new Command('bill')
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
  program
    .command('read <bill...>')
    .description('Reads a bill in the FOCUS format (CSV, gzipped, zipped, in parts) and says what it holds.')
    .addOption(new Option('--format <format>', 'how to print').choices(BILL_FORMATS).default('table'))
    .option('--zone <zone>', 'IANA zone in which days begin', 'Etc/UTC')
    .action((files: readonly string[], options: BillReadOptions) => billReadCommand(files, options, run))
  try {
    await program.parseAsync([...args], { from: 'user' })
    return run.status
  } catch (error) {
    if (error instanceof RunEnded) return error.status
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : EXIT.badInput
    throw error
  }
}
