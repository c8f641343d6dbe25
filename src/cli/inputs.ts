import { readFileSync, statSync } from 'node:fs'
import { Option, type Command } from 'commander'
import { MONTH_READINGS, type MonthReading } from '../core/calendar/billingMonth.ts'
import { parseYearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import type { Outcome } from '../core/outcome.ts'
import type { PlanPricing } from '../core/meter/planPricing.ts'
import { askEstimate, type EstimateQuestion } from '../files/estimate/askEstimate.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import { TABLE_DIGITS, type TableDigits } from '../files/estimate/estimateTable.ts'
import { issueLine, type FileIssue } from '../files/reading/fileIssue.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { readPriceBook } from '../files/priceBook/priceBookFile.ts'
import { MOST_BYTES, tooLarge } from '../files/reading/readJson.ts'
import { EXIT, RunEnded, type CommandRun } from './CommandRun.ts'
import { bookFiles } from './bookFiles.ts'

export interface CommonOptions {
  readonly book: readonly string[]
  readonly month: string
  readonly reading: MonthReading
}

/** For commands that print tables. */
export const digitsOption = (): Option =>
  new Option('--digits <digits>', 'decimal places of amounts in tables: to the cent, or to the last digit')
    .choices(TABLE_DIGITS.map(String))
    .default('2')

export const digitsOf = (text: string): TableDigits => TABLE_DIGITS.find((digits) => String(digits) === text)!

/** Options that every command has. */
export const withCommonOptions = (command: Command): Command =>
  command
    .requiredOption(
      '--book <file or folder>',
      'price book file, or a folder of them; may be given several times (required)',
      (path: string, all: readonly string[] | undefined) => [...(all ?? []), path],
    )
    .requiredOption('--month <month>', 'billing month, such as 2027-03 (required)')
    .addOption(
      new Option('--reading <reading>', 'how the month is read').choices(MONTH_READINGS).default('calendar'),
    )

/** A file that is named on the command line; what is none ends the run. */
export function readDocument<T>(
  run: CommandRun,
  path: string,
  parse: (text: string) => Outcome<T, FileIssue>,
): T {
  let text: string
  try {
    const { size } = statSync(path)
    if (size > MOST_BYTES) run.refuse([issueLine(tooLarge(size), path)])
    text = readFileSync(path, 'utf8')
  } catch (error) {
    if (error instanceof RunEnded) throw error
    return run.refuse([
      `${path}: the whole file: It cannot be read (${(error as Error).message}). Expected: a file.`,
    ])
  }
  const outcome = parse(text)
  return outcome.ok ? outcome.value : run.refuse(outcome.issues.map((issue) => issueLine(issue, path)))
}

const readBooks = (run: CommandRun, paths: readonly string[]): PriceBook[] =>
  paths.flatMap((path) => bookFiles(path)).map((path) => readDocument(run, path, readPriceBook))

/** The question that the options ask about a plan file. */
export function questionOf(
  run: CommandRun,
  plan: string,
  { book, month, reading }: CommonOptions,
): EstimateQuestion {
  const asked = parseYearMonth(month)
  if (!asked)
    return run.refuse([`--month: Found "${month}". Expected: a month such as 2027-03, from 2000 to 2100.`])
  return { plan: readDocument<Plan>(run, plan, readPlan), books: readBooks(run, book), month: asked, reading }
}

/** Its answer; ends the run where there is none. */
export function reportOf(
  run: CommandRun,
  path: string,
  question: EstimateQuestion,
  pricing?: PlanPricing,
): EstimateReport {
  const found = askEstimate(question, undefined, pricing)
  if (found.ok) return found.value
  const files = { books: '--book', plan: path, machine: '--machine' }
  return run.refuse(found.issues.map((issue) => issueLine(issue, files[issue.in])))
}

/** Names the machines that are in no total, and why, and lets the run end by it. */
export function sayUnpriced(run: CommandRun, { unpriced, month }: EstimateReport): void {
  if (unpriced.length === 0) return
  const lines = unpriced.map(({ name, problem }) => `${name} is in no total: ${problem}`)
  run.complain(
    `${lines.join('\n')}\nThe month ${month} is priced without ${unpriced.length === 1 ? 'it' : 'them'}.\n`,
  )
  run.endWith(EXIT.unpriced)
}
