import { parseYearMonth } from '../core/calendar/yearMonth.ts'
import { isTimeZone } from '../core/calendar/zoneOffsets.ts'
import { toDecimal } from '../core/quantity/decimal.ts'
import { planFromBill } from '../files/bill/planFromBill.ts'
import { troubleLine } from '../files/bill/billTable.ts'
import { writePlan } from '../files/plan/planFile.ts'
import { writePriceBook } from '../files/priceBook/priceBookFile.ts'
import { asOneLine } from '../files/reading/oneLine.ts'
import type { CommandRun } from './CommandRun.ts'
import { writeOut } from './writeOut.ts'
import { billOf } from './billInputs.ts'

export interface BillPlanOptions {
  readonly out: string
  readonly bookOut: string
  readonly month?: string
  readonly zone: string
  readonly recipe?: readonly string[]
}

/** `books.json`, then `books-2.json`. */
const numbered = (path: string, count: number): string =>
  count === 1 ? path : path.replace(/(\.[^./]+)?$/, (end) => `-${count}${end}`)

/** Writes a plan of what is on a bill, and the prices that it had. */
export async function billPlanCommand(
  paths: readonly string[],
  { out, bookOut, month: asked, zone, recipe }: BillPlanOptions,
  run: CommandRun,
): Promise<void> {
  if (!isTimeZone(zone))
    run.refuse([`--zone: Found "${zone}". Expected: an IANA zone such as Europe/Lisbon.`])
  const reading = await billOf(paths, { timeZone: zone }, run, recipe)
  const newest = reading.lines
    .map(({ period }) => period.slice(0, 7))
    .sort()
    .at(-1)
  const month = parseYearMonth(asked ?? newest ?? '')
  if (!month) {
    return run.refuse([
      asked === undefined
        ? `${paths.join(', ')}: No row is about machines. Expected: a bill with compute, storage or networking.`
        : `--month: Found "${asked}". Expected: a month such as 2027-03.`,
    ])
  }
  const { plan, books, fits, others, savings } = planFromBill(reading, month, zone)
  if (plan.machines.length === 0) {
    run.refuse([
      `${paths.join(', ')}: No machine is on the bill of ${month}. Expected: rows with machine time.`,
    ])
  }
  writeOut(out, writePlan(plan), run)
  books.forEach((book, i) => writeOut(numbered(bookOut, i + 1), writePriceBook(book), run))
  for (const machine of plan.machines) {
    const fit = Math.round((fits.get(machine.name) ?? 0) * 100)
    const week = plan.weeks.find(({ id }) => id === machine.week)!
    run.print(
      `${asOneLine(machine.name, 60)}: ${machine.size}, ${week.name}, which fits ${fit} % of its hours\n`,
    )
  }
  for (const { machines, saved, currency } of savings) {
    const who = machines === 1 ? '1 machine' : `${machines} machines`
    run.print(
      `On from 8 to 18 on working days alone, ${who} would save ${toDecimal(saved, 2)} ${currency}.\n`,
    )
  }
  for (const name of others) run.complain(`${asOneLine(name, 100)} is of no machine, and not in the plan.\n`)
  for (const trouble of reading.troubles) run.complain(`${troubleLine(trouble)}\n`)
}
