import { readFileSync, statSync } from 'node:fs'
import { Command, Option } from 'commander'
import { MONTH_READINGS, type MonthReading } from '../core/calendar/billingMonth.ts'
import { parseYearMonth, type YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { checkEditions } from '../files/checkEditions.ts'
import { checkPlan } from '../files/checkPlan.ts'
import { issueLine, type FileIssue } from '../files/fileIssue.ts'
import { readPlan } from '../files/planFile.ts'
import { readPriceBook } from '../files/priceBookFile.ts'
import { MOST_BYTES, tooLarge } from '../files/readJson.ts'
import type { Outcome } from '../core/outcome.ts'
import { bookFiles } from './bookFiles.ts'
import { estimateReport } from '../files/estimate/estimateReport.ts'
import { estimateTable } from '../files/estimate/estimateTable.ts'

interface Options {
  readonly plan: string
  readonly book: readonly string[]
  readonly month: string
  readonly machine?: string
  readonly reading: MonthReading
  readonly format: 'table' | 'json'
}

const BAD_INPUT = 2

/** Prints the problems, one a line, and ends with the status for bad input. */
function refuse(problems: readonly string[]): never {
  process.stderr.write(`${problems.join('\n')}\n`)
  process.exit(BAD_INPUT)
}

function read<T>(path: string, parse: (text: string) => Outcome<T, FileIssue>): T {
  let text: string
  try {
    const { size } = statSync(path)
    if (size > MOST_BYTES) refuse([issueLine(tooLarge(size), path)])
    text = readFileSync(path, 'utf8')
  } catch (error) {
    return refuse([
      `${path}: the whole file: It cannot be read (${(error as Error).message}). Expected: a file.`,
    ])
  }
  const outcome = parse(text)
  return outcome.ok ? outcome.value : refuse(outcome.issues.map((issue) => issueLine(issue, path)))
}

function run(options: Options): void {
  const month: YearMonth | undefined = parseYearMonth(options.month)
  if (!month)
    refuse([`--month: Found "${options.month}". Expected: a month such as 2027-03, from 2000 to 2100.`])
  const plan = read(options.plan, readPlan)
  const books: PriceBook[] = options.book
    .flatMap((path) => bookFiles(path))
    .map((path) => read(path, readPriceBook))
  const overlaps = books.flatMap((book, i) => checkEditions(book, books.slice(0, i)))
  if (overlaps.length > 0) refuse(overlaps.map((issue) => issueLine(issue, '--book')))
  const issues = checkPlan(plan, books, month)
  if (issues.length > 0) refuse(issues.map((issue) => issueLine(issue, options.plan)))
  const { machine } = options
  if (machine !== undefined && !plan.machines.some(({ name }) => name === machine)) {
    const names = plan.machines.map(({ name }) => name).slice(0, 8)
    refuse([
      `--machine: There is no machine "${machine}" in ${options.plan}. Expected: one of ${names.join(', ')}.`,
    ])
  }
  const report = estimateReport(plan, books, month, options.reading, machine)
  process.stdout.write(
    options.format === 'json' ? `${JSON.stringify(report, null, 2)}\n` : estimateTable(report),
  )
}

new Command()
  .name('estimate')
  .description('Prices a plan for one month, by the same calculation as the screen.')
  .requiredOption('--plan <file>', 'plan file')
  .requiredOption(
    '--book <file or folder>',
    'price book file, or a folder of them; may be given several times',
    (path: string, all: readonly string[] | undefined) => [...(all ?? []), path],
  )
  .requiredOption('--month <month>', 'billing month, such as 2027-03')
  .option('--machine <name>', 'only this machine')
  .addOption(
    new Option('--reading <reading>', 'how the month is read').choices(MONTH_READINGS).default('calendar'),
  )
  .addOption(new Option('--format <format>', 'how to print').choices(['table', 'json']).default('table'))
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : BAD_INPUT))
  .action(run)
  .parse()
