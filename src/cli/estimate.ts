import { CommandRun } from './CommandRun.ts'
import { runCommand } from './runCommand.ts'

const run = new CommandRun(
  (text) => process.stdout.write(text),
  (text) => process.stderr.write(text),
)
process.exitCode = runCommand(process.argv.slice(2), run)
