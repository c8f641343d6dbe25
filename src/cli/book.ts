import { Command } from 'commander'
import { bookDiffCommand, type BookDiffOptions } from './bookDiffCommand.ts'
import { bookCommand, type BookOptions } from './bookCommand.ts'
import type { CommandRun } from './CommandRun.ts'
import { runProgram } from './runProgram.ts'

/** `npm run --silent book -- --recipe R --list FILE --valid-from DATE --out BOOK`, or `... book -- diff OLD NEW`. */
export async function runBook(args: readonly string[], run: CommandRun): Promise<number> {
  const program = new Command('book')
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
  program
    .command('make', { isDefault: true })
    .description('Makes a price book of a price list, by a recipe.')
    .requiredOption('--recipe <file>', 'how lists of this shape become a book')
    .requiredOption(
      '--list <file>',
      'a file of the price list; each of several with a --list of its own',
      (file: string, before: readonly string[] = []) => [...before, file],
    )
    .requiredOption('--valid-from <date>', 'the first day on which the prices hold')
    .requiredOption('--out <file>', 'where to write the book')
    .action((options: BookOptions) => bookCommand(options, run))
  program
    .command('diff <before> <after>')
    .description('Says what changed between two editions of a price book.')
    .option('--plan <file>', 'what it does to the machines of this plan')
    .option('--month <month>', 'in this month; the plan’s own where absent')
    .action((before: string, after: string, options: BookDiffOptions) =>
      bookDiffCommand(before, after, options, run),
    )
  return runProgram(program, args, run)
}
