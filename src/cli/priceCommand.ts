import { Command, Option } from 'commander'
import { PlanPricing, type PricedMachine } from '../core/meter/planPricing.ts'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { compare } from '../core/quantity/exact.ts'
import type { EstimateQuestion } from '../files/estimate/askEstimate.ts'
import { estimateCsv } from '../files/estimate/estimateCsv.ts'
import { estimateMarkdown } from '../files/estimate/estimateMarkdown.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import { estimateTable } from '../files/estimate/estimateTable.ts'
import { FOCUS_GRAINS, type FocusGrain } from '../files/focus/chargeSpans.ts'
import { focusCsv } from '../files/focus/focusCsv.ts'
import { isAmount } from '../files/reading/moneyText.ts'
import { EXIT, type CommandRun } from './CommandRun.ts'
import {
  digitsOf,
  digitsOption,
  questionOf,
  reportOf,
  sayUnpriced,
  withCommonOptions,
  type CommonOptions,
} from './inputs.ts'

interface Options extends CommonOptions {
  readonly plan: string
  readonly machine?: string
  readonly format: keyof typeof FORMATS | 'focus'
  readonly by: FocusGrain
  readonly failOver?: string
  readonly digits: string
  readonly bom?: true
}

type Print = (report: EstimateReport, options: Options) => string

const FORMATS = {
  table: (report, { digits }) => estimateTable(report, digitsOf(digits)),
  json: (report) => `${JSON.stringify(report, null, 2)}\n`,
  csv: (report, { bom }) => estimateCsv(report, { byteOrderMark: bom }),
  markdown: (report, { digits }) => estimateMarkdown(report, digitsOf(digits)),
} as const satisfies Record<string, Print>

/** Without a word before its options: a plan is priced. */
export const priceCommand = (run: CommandRun): Command =>
  withCommonOptions(
    new Command()
      .name('estimate')
      .description('Prices a plan for one month, by the same calculation as the screen.')
      .requiredOption('--plan <file>', 'plan file (required)'),
  )
    .option('--machine <name>', 'only this machine')
    .addOption(
      new Option('--format <format>', 'how to print')
        .choices([...Object.keys(FORMATS), 'focus'])
        .default('table'),
    )
    .addOption(
      new Option('--by <grain>', 'what a row of --format focus is about')
        .choices(FOCUS_GRAINS)
        .default('day'),
    )
    .addOption(digitsOption())
    .option('--bom', 'begin CSV with a byte-order mark, by which spreadsheets know UTF-8')
    .option(
      '--fail-over <amount>',
      `end with status ${EXIT.overBudget} when the month as shown, to the cent and before tax, costs more; by its true hours, as a budget is held to`,
    )
    .addHelpText(
      'after',
      `\nEnds with ${EXIT.unpriced} when machines without a price book for the month are left out, with ${EXIT.badInput} on bad input.\nOther commands: compare, check; each with --help.`,
    )
    .action((options: Options) => price(run, options))

function price(run: CommandRun, options: Options): void {
  const { failOver, machine, plan } = options
  if (failOver !== undefined && !isAmount(failOver)) {
    run.refuse([`--fail-over: Found "${failOver}". Expected: an amount such as 600 or 1200.50.`])
  }
  const question = { ...questionOf(run, plan, options), machine }
  if (options.format === 'focus' && question.reading !== 'calendar') {
    run.refuse(['--reading: A bill has the hours that there are. Expected: calendar, with --format focus.'])
  }
  const pricing = new PlanPricing(question)
  const report = reportOf(run, plan, question, pricing)
  run.print(
    options.format === 'focus'
      ? focusCsv(pricedOf(pricing, question), options.by)
      : FORMATS[options.format](report, options),
  )
  if (failOver !== undefined) {
    const isTrue = question.reading === 'calendar'
    failWhenOver(run, isTrue ? report : reportOf(run, plan, { ...question, reading: 'calendar' }), failOver)
  }
  sayUnpriced(run, report)
}

/** The machines that are asked for and have a price. */
const pricedOf = (pricing: PlanPricing, { plan, machine }: EstimateQuestion): PricedMachine[] =>
  plan.machines.flatMap((each) => {
    const result = machine === undefined || each.name === machine ? pricing.of(each) : undefined
    return result?.ok ? [result] : []
  })

/** Compares what is shown, to the cent. */
function failWhenOver(run: CommandRun, { total: { shown, currency } }: EstimateReport, most: string): void {
  if (compare(parseDecimal(shown.planned)!, parseDecimal(most)!) <= 0) return
  run.complain(`The month costs ${shown.planned} ${currency}: more than ${most}.\n`)
  run.endWith(EXIT.overBudget)
}
