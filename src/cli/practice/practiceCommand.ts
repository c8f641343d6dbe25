import { Command, InvalidArgumentError, Option } from 'commander'
import type { Server } from 'node:http'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { parseYearMonth, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { focusTime } from '../../files/bill/focusTime.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { readPriceBook } from '../../files/priceBook/priceBookFile.ts'
import { monthAt } from '../../practice/zoneClock.ts'
import { PracticeProvider } from '../../practice/PracticeProvider.ts'
import { readyToRehearse } from '../../rehearsal/rehearse.ts'
import { playMachine } from '../../rehearsal/playMonth.ts'
import type { CommandRun } from '../CommandRun.ts'
import { readDocument } from '../inputs.ts'
import { runProgram } from '../runProgram.ts'
import { PracticeClock } from './PracticeClock.ts'
import { PracticeService } from './PracticeService.ts'
import { PRACTICE_PORT, servePractice } from './servePractice.ts'

interface PracticeOptions {
  readonly book: string
  readonly at: number
  readonly plan?: string
  readonly speed: number
  readonly port: number
}

const numberWithin = (least: number, most: number) => (text: string) => {
  const value = Number(text)
  if (text.trim() === '' || !(value >= least && value <= most)) {
    throw new InvalidArgumentError(`Expected: a number from ${least} to ${most}.`)
  }
  return value
}

/** `npm run practice -- --book FILE --at 2027-03-01T00:00Z`: serves until it is ended. */
export async function runPractice(
  args: readonly string[],
  run: CommandRun,
  serving: (server: Server) => void = () => undefined,
): Promise<number> {
  const program = new Command('practice')
    .exitOverride()
    .configureOutput({ writeOut: run.print, writeErr: run.complain })
    .description('Serves a provider to practise with, on this machine alone.')
    .requiredOption('--book <file>', 'price book that it sells by (required)')
    .addOption(
      new Option('--at <time>', 'what time it is there, such as 2027-03-01T00:00Z')
        .argParser((text) => {
          const at = focusTime(text)
          if (at === undefined) throw new InvalidArgumentError('Expected: a time such as 2027-03-01T00:00Z.')
          return at
        })
        .makeOptionMandatory(),
    )
    .option('--plan <file>', 'plan whose machines of that provider are there, as planned until then')
    .option('--speed <times>', 'seconds that pass there in one; 0 stands still', numberWithin(0, 1e7), 0)
    .option('--port <port>', 'port to listen on', numberWithin(0, 65_535), PRACTICE_PORT)
    .action(async (options: PracticeOptions) => {
      const book = readDocument(run, options.book, readPriceBook)
      const provider = new PracticeProvider(book)
      if (options.plan !== undefined) takePlan(provider, book, options.plan, options.at, run)
      const clock = new PracticeClock(options.at, options.speed, Date.now)
      const server = await servePractice(new PracticeService(provider, clock), options.port)
      const address = server.address()
      const port = typeof address === 'object' && address ? address.port : options.port
      run.print(`${book.provider.name} to practise with: http://127.0.0.1:${port}/machines\n`)
      serving(server)
    })
  return runProgram(program, args, run)
}

/** The plan’s machines as they are at that time, with all that they did before. */
function takePlan(
  provider: PracticeProvider,
  book: PriceBook,
  path: string,
  at: number,
  run: CommandRun,
): void {
  const plan = readDocument(run, path, readPlan)
  const { year, month: number } = monthAt(book.billingZone, at)
  const month = parseYearMonth(`${year}-${String(number).padStart(2, '0')}`) as YearMonth
  const books = [{ ...book, valid: { from: '2000-01-01' } }]
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const own = plan.machines.filter((machine) => machine.provider === book.provider.id)
  const priced = own.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  for (const { order, planned } of readyToRehearse(priced)) {
    if (planned.from > at) continue
    const { deleted, ...others } = planned
    const switches = planned.switches.filter((each) => each.at < at)
    playMachine(provider, order, {
      ...others,
      switches,
      ...(deleted !== undefined && deleted <= at && { deleted }),
    })
  }
}
