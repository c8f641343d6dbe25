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
import { bookFiles } from './bookFiles.ts'

/** How a run ends where it does not end well. */
export const EXIT = { badInput: 2, overBudget: 3, severe: 4, unpriced: 5 } as const

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

/** Prints the problems, one a line, and ends with the status for bad input. */
export function refuse(problems: readonly string[]): never {
  process.stderr.write(`${problems.join('\n')}\n`)
  process.exit(EXIT.badInput)
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

const readBooks = (paths: readonly string[]): PriceBook[] =>
  paths.flatMap((path) => bookFiles(path)).map((path) => read(path, readPriceBook))

/** The question that the options ask about a plan file. */
export function questionOf(plan: string, { book, month, reading }: CommonOptions): EstimateQuestion {
  const asked = parseYearMonth(month)
  if (!asked) refuse([`--month: Found "${month}". Expected: a month such as 2027-03, from 2000 to 2100.`])
  return { plan: read<Plan>(plan, readPlan), books: readBooks(book), month: asked!, reading }
}

/** Its answer; ends the run where there is none. */
export function reportOf(path: string, question: EstimateQuestion, pricing?: PlanPricing): EstimateReport {
  const found = askEstimate(question, undefined, pricing)
  if (found.ok) return found.value
  const files = { books: '--book', plan: path, machine: '--machine' }
  return refuse(found.issues.map((issue) => issueLine(issue, files[issue.in])))
}

/** Names the machines that are in no total, and why, and lets the run end by it. */
export function sayUnpriced({ unpriced, month }: EstimateReport): void {
  if (unpriced.length === 0) return
  const lines = unpriced.map(({ name, problem }) => `${name} is in no total: ${problem}`)
  process.stderr.write(
    `${lines.join('\n')}\nThe month ${month} is priced without ${unpriced.length === 1 ? 'it' : 'them'}.\n`,
  )
  process.exitCode ??= EXIT.unpriced
}
