import { Command, CommanderError } from 'commander'
import { bookCommand, type BookOptions } from './bookCommand.ts'
import { EXIT, RunEnded, type CommandRun } from './CommandRun.ts'

/** `npm run --silent book -- --recipe R --list FILE --valid-from DATE --out BOOK` */
export async function runBook(args: readonly string[], run: CommandRun): Promise<number> {
  const program = new Command('book')
    .description('Makes a price book of a price list, by a recipe.')
    .requiredOption('--recipe <file>', 'how lists of this shape become a book')
    .requiredOption('--list <file>', 'the price list, CSV of any dialect, gzipped or not')
    .requiredOption('--valid-from <date>', 'the first day on which the prices hold')
    .requiredOption('--out <file>', 'where to write the book')
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
  try {
    program.parse([...args], { from: 'user' })
    await bookCommand(program.opts<BookOptions>(), run)
    return run.status
  } catch (error) {
    if (error instanceof RunEnded) return error.status
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : EXIT.badInput
    throw error
  }
}
