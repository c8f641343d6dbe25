import { PlanPricing } from '../core/meter/planPricing.ts'
import { parseDecimal, toDecimal } from '../core/quantity/decimal.ts'
import { add, compare, isZero, subtract, ZERO } from '../core/quantity/exact.ts'
import { roundParts } from '../core/quantity/roundParts.ts'
import { isDust } from '../core/reconcile/dust.ts'
import { compareBill, type Comparison } from '../files/bill/compareBill.ts'
import { comparisonReport } from '../files/bill/comparisonReport.ts'
import { zonesOf } from '../files/bill/zonesOf.ts'
import { troubleLine } from '../files/bill/billTable.ts'
import { isAmount } from '../files/reading/moneyText.ts'
import { asOneLine } from '../files/reading/oneLine.ts'
import { causeText } from '../wording/cause.ts'
import { EXIT, type CommandRun } from './CommandRun.ts'
import { billOf } from './billInputs.ts'
import { questionOf, reportOf, type CommonOptions } from './inputs.ts'

export const COMPARISON_FORMATS = ['table', 'json'] as const

export interface BillCompareOptions extends CommonOptions {
  readonly plan: string
  readonly format: (typeof COMPARISON_FORMATS)[number]
  readonly threshold?: string
  readonly recipe?: readonly string[]
}

/** Sets a month of a plan beside its bill. Days are those of the provider’s month. */
export async function billCompareCommand(
  paths: readonly string[],
  options: BillCompareOptions,
  run: CommandRun,
): Promise<void> {
  const { threshold } = options
  if (threshold !== undefined && !isAmount(threshold)) {
    run.refuse([`--threshold: Found "${threshold}". Expected: an amount such as 5 or 12.50.`])
  }
  if (options.reading !== 'calendar') {
    run.refuse(['--reading: A bill has the hours that there are. Expected: calendar.'])
  }
  const question = questionOf(run, options.plan, options)
  const pricing = new PlanPricing(question)
  const { plan, month } = question
  reportOf(run, options.plan, question, pricing)
  const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const zones = zonesOf(priced.map(({ resolved }) => resolved.index.book))
  const reading = await billOf(paths, zones, run, options.recipe)
  const found = compareBill({ priced, reading, month })
  run.print(
    options.format === 'json'
      ? `${JSON.stringify(comparisonReport(plan.name, month, found, reading), null, 2)}\n`
      : tableOf(plan.name, month, found),
  )
  for (const trouble of reading.troubles) run.complain(`${troubleLine(trouble)}\n`)
  for (const { service, currency, effective } of reading.leftOut) {
    run.complain(
      `${asOneLine(service, 200)}, ${toDecimal(effective, 2)} ${currency}, is about no machines.\n`,
    )
  }
  endBy(found, threshold, run)
}

/** The plan, its causes from the largest on, and the bill: a column that adds up. */
function tableOf(
  plan: string,
  month: string,
  { providers, currencies, otherPeriods, until }: Comparison,
): string {
  const blocks = currencies.map(({ currency, planned, causes, unexplained }) => {
    const shown = causes.filter(({ amount }) => !isDust(amount))
    const dust = causes.reduce((sum, { amount }) => (isDust(amount) ? add(sum, amount) : sum), ZERO)
    const { parts, total } = roundParts([add(planned, dust), ...shown.map(({ amount }) => amount)], 2)
    const [first, ...amounts] = parts
    const rows: [string, string][] = [
      ['planned', first!],
      ...shown.map((cause, i): [string, string] => [asOneLine(causeText(cause), 300), signed(amounts[i]!)]),
      ['billed', total],
      ...(isZero(unexplained) ? [] : ([['unexplained', toDecimal(unexplained, 2)]] as [string, string][])),
    ]
    const width = Math.max(...rows.map(([, amount]) => amount.length))
    return rows.map(([text, amount]) => `${amount.padStart(width)} ${currency}  ${text}`).join('\n')
  })
  const others = otherPeriods.map(
    ({ period, currency, rows, effective }) =>
      `${toDecimal(effective, 2)} ${currency} in ${rows} rows are of the period that begins on ${period}.`,
  )
  const head = [plan, month, providers.join(', '), ...(until === undefined ? [] : [`until ${until}`])]
  return `${[head.join(', '), ...blocks, ...others].join('\n\n')}\n`
}

const signed = (amount: string): string => (amount.startsWith('-') ? amount : `+${amount}`)

/** With a threshold, by the difference and by what is unexplained; without one, by anything unexplained. */
function endBy({ currencies }: Comparison, threshold: string | undefined, run: CommandRun): void {
  const most = parseDecimal(threshold ?? '0')!
  for (const { currency, planned, billed, unexplained } of currencies) {
    const more = subtract(billed, planned)
    const isOver = threshold !== undefined && compare(more, most) > 0
    if (!isOver && (isDust(unexplained) || compare(unexplained, most) <= 0)) continue
    run.complain(
      isOver
        ? `Billed ${toDecimal(more, 2)} ${currency} more than planned: over ${threshold}.\n`
        : `${toDecimal(unexplained, 2)} ${currency} are unexplained.\n`,
    )
    run.endWith(EXIT.otherThanPlanned)
  }
}
