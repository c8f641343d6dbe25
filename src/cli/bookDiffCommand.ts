import { compareEditions, type PriceChange } from '../core/pricelist/compareEditions.ts'
import { parseYearMonth, type YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { editionEffect } from '../core/pricelist/editionEffect.ts'
import { toDecimal } from '../core/quantity/decimal.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { readPriceBook } from '../files/priceBook/priceBookFile.ts'
import { shownDifference } from '../wording/money'
import { inputText, lineOf } from './bookInputs.ts'
import type { CommandRun } from './CommandRun.ts'

export interface BookDiffOptions {
  readonly plan?: string
  readonly month?: string
}

/** Of each sort so many are named; the counts are of all. */
const MOST_NAMED = 20

/** Says what changed between two editions, and what that does to a plan's machines in a month. */
export function bookDiffCommand(
  before: string,
  after: string,
  { plan: planPath, month: monthText }: BookDiffOptions,
  run: CommandRun,
): void {
  const [old, now] = [bookOf(before, run), bookOf(after, run)]
  const { added, gone, dearer, cheaper, same } = compareEditions(old, now)
  run.print(
    `${now.provider.name}, ${old.edition} to ${now.edition}: ${dearer.length} dearer, ${cheaper.length} cheaper, ${added.length} new, ${gone.length} gone, ${same} the same.\n`,
  )
  const list = (name: string, changes: readonly PriceChange[]): void => {
    for (const change of changes.slice(0, MOST_NAMED)) run.print(`${name}  ${changeText(change)}\n`)
    if (changes.length > MOST_NAMED) run.print(`${name}  and ${changes.length - MOST_NAMED} more\n`)
  }
  list('dearer ', dearer)
  list('cheaper', cheaper)
  list('new    ', added)
  list('gone   ', gone)
  if (planPath === undefined) return
  const plan = readPlan(inputText(planPath, 'a plan file', run))
  if (!plan.ok) return run.refuse(plan.issues.map((issue) => lineOf(planPath, issue)))
  const month = monthText === undefined ? plan.value.month : parseYearMonth(monthText)
  if (month === undefined) return run.refuse([`--month ${monthText!}: a month such as 2027-03.`])
  printMachines(plan.value, [old, now], month, run)
}

function changeText({ of, id, region, terms, rate, before, after, factor }: PriceChange): string {
  const where = [of === 'size' ? id : `${of} ${id}`, region, terms, rate].filter(Boolean).join(', ')
  const times =
    factor === undefined || before === undefined || after === undefined ? '' : `, ${percent(factor)}`
  return `${where}: ${before ?? 'not sold'} to ${after ?? 'not sold'}${times}`
}

const percent = (factor: number): string => {
  const change = Math.round((factor - 1) * 1_000) / 10
  return `${change > 0 ? '+' : ''}${change} %`
}

/** Machine by machine, both editions taken as if they held in that month. */
function printMachines(
  plan: Plan,
  books: readonly [PriceBook, PriceBook],
  month: YearMonth,
  run: CommandRun,
): void {
  const [old, now] = books
  for (const { machine, before: was, after: is } of editionEffect({
    plan,
    before: old,
    after: now,
    month,
    reading: 'calendar',
  })) {
    const difference = was && is ? shownDifference(is, was) : undefined
    const sign = difference && difference.n > 0n ? '+' : ''
    run.print(
      `${machine}  ${was ? toDecimal(was, 2) : 'not priced'} to ${is ? toDecimal(is, 2) : 'not priced'} ${now.currency}${difference ? `, ${sign}${toDecimal(difference, 2)}` : ''}\n`,
    )
  }
}

function bookOf(path: string, run: CommandRun): PriceBook {
  const book = readPriceBook(inputText(path, 'a price book', run))
  return book.ok ? book.value : run.refuse(book.issues.map((issue) => lineOf(path, issue)))
}
