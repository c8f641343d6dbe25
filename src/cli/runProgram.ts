import { CommanderError, type Command } from 'commander'
import { EXIT, RunEnded, type CommandRun } from './CommandRun.ts'

/** Runs a program of several commands to its end, and answers the status that it ends with. */
export async function runProgram(
  program: Command,
  args: readonly string[],
  run: CommandRun,
): Promise<number> {
  try {
    await program.parseAsync([...args], { from: 'user' })
    return run.status
  } catch (error) {
    if (error instanceof RunEnded) return error.status
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : EXIT.badInput
    throw error
  }
}
