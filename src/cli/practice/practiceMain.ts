import { CommandRun } from '../CommandRun.ts'
import { runPractice } from './practiceCommand.ts'

const run = new CommandRun(
  (text) => process.stdout.write(text),
  (text) => process.stderr.write(text),
)
process.exitCode = await runPractice(process.argv.slice(2), run)
