import { runMarket } from './market.ts'
import { CommandRun } from './CommandRun.ts'

const run = new CommandRun(
  (text) => process.stdout.write(text),
  (text) => process.stderr.write(text),
)
process.exitCode = await runMarket(process.argv.slice(2), run)
