import { Command } from 'commander'
import { finish } from '../core/finish.ts'
import { PlanPricing } from '../core/meter/planPricing.ts'
import { surveyPlan } from '../core/wholePlan/surveyPlan.ts'
import { findingText, SEVERITY_NAMES } from '../wording/finding.ts'
import { formatMoney, SHOWN_DECIMALS } from '../wording/money.ts'
import { EXIT, type CommandRun } from './CommandRun.ts'
import { questionOf, reportOf, sayUnpriced, withCommonOptions, type CommonOptions } from './inputs.ts'

/** `check`: the watch list as text; what will not work, or is unsafe, fails the run. */
export const checkCommand = (run: CommandRun): Command =>
  withCommonOptions(
    new Command()
      .name('estimate check')
      .description(
        `Prints what is open on the watch list; ends with status ${EXIT.severe} where a problem is.`,
      )
      .requiredOption('--plan <file>', 'plan file (required)'),
  ).action((options: CommonOptions & { readonly plan: string }) => {
    const question = questionOf(run, options.plan, options)
    const { plan } = question
    const pricing = new PlanPricing(question)
    const report = reportOf(run, options.plan, question, pricing)
    const { currency } = report.total
    const { findings } = finish(surveyPlan({ ...question, currency, decimals: SHOWN_DECIMALS }, pricing))
    const zoneOf = (name: string): string => {
      const machine = plan.machines.find((each) => each.name === name)
      return plan.weeks.find(({ id }) => id === machine?.week)?.timeZone ?? 'Etc/UTC'
    }
    for (const { machine, currency: own, finding } of findings) {
      const { severity, facts, stake } = finding
      const cost = stake && stake.n > 0n ? ` (${formatMoney(stake, own)} a month)` : ''
      const text = findingText(facts, { currency: own, timeZone: zoneOf(machine) })
      run.print(`${SEVERITY_NAMES[severity].toLowerCase()}: ${machine}: ${text}${cost}\n`)
    }
    const severe = findings.filter(({ finding }) => finding.severity === 'problem').length
    run.print(`${findings.length} open, ${severe} of them problems.\n`)
    if (severe > 0) run.endWith(EXIT.severe)
    sayUnpriced(run, report)
  })
