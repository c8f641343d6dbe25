import type { Command } from 'commander'
import { CommanderError } from 'commander'
import { checkCommand } from './checkCommand.ts'
import { EXIT, RunEnded, type CommandRun } from './CommandRun.ts'
import { compareCommand } from './compareCommand.ts'
import { priceCommand } from './priceCommand.ts'

const COMMANDS: ReadonlyMap<string | undefined, (run: CommandRun) => Command> = new Map([
  ['compare', compareCommand],
  ['check', checkCommand],
])

/** Runs what the words of a command line ask for, and answers the status to end with. */
export function runCommand(words: readonly string[], run: CommandRun): number {
  const [word, ...rest] = words
  const named = COMMANDS.get(word)
  const command = (named ?? priceCommand)(run)
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
  try {
    command.parse(named ? rest : words, { from: 'user' })
    return run.status
  } catch (error) {
    if (error instanceof RunEnded) return error.status
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : EXIT.badInput
    throw error
  }
}
