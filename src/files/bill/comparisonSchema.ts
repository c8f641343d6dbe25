import Joi from 'joi'
import { CAUSE_CODES } from '../../core/reconcile/cause.ts'
import { METER_CLASSES } from '../../core/reconcile/meterClass.ts'
import { date, listOf, month, need, objectOf, tag } from '../reading/rules.ts'
import { currency, leftOut, trouble } from './billSchema.ts'
import {
  COMPARISON_FORMAT,
  type CauseReport,
  type ComparisonReport,
  type CurrencyReport,
} from './comparisonReport.ts'

const text = Joi.string().max(2_000)
const MOST = 2_000_000

const figure = Joi.string().pattern(/^-?\d{1,100}(\.\d{1,12})?$/)

const cause = objectOf<CauseReport>({
  code: need(Joi.valid(...CAUSE_CODES)),
  of: need(text.allow('')).description('A machine of the plan or a resource of the bill; empty for neither.'),
  meter: Joi.valid(...METER_CLASSES),
  amount: need(figure).description('Billed more than planned.'),
  unit: text.allow('').description('Of quantities and prices: hours, GiB-time, or as the bill writes it.'),
  days: listOf(
    objectOf<NonNullable<CauseReport['days']>[number]>({
      day: need(date),
      planned: need(figure),
      billed: need(figure),
    }),
    40,
  ),
  prices: objectOf<NonNullable<CauseReport['prices']>>({ planned: need(figure), billed: need(figure) }),
  since: date,
  names: objectOf<NonNullable<CauseReport['names']>>({ planned: need(text), billed: need(text) }).description(
    'The size or the pricing category of each side.',
  ),
  parts: listOf(
    objectOf<NonNullable<CauseReport['parts']>[number]>({
      meter: need(Joi.valid(...METER_CLASSES)),
      amount: need(figure),
    }),
    20,
  ).description('What of it falls on each meter, where several follow from one another.'),
})

const currencyReport = objectOf<CurrencyReport>({
  currency: need(currency),
  planned: need(figure),
  billed: need(figure),
  difference: need(figure).description('The sum of all causes.'),
  unexplained: need(figure).description('What no cause could be told for, added without signs.'),
  plannedRest: figure.description('Planned of the days after that one.'),
  causes: need(listOf(cause, MOST)).description('The largest first.'),
  machines: need(
    listOf(
      objectOf<CurrencyReport['machines'][number]>({
        machine: need(text.allow('')),
        planned: need(figure),
        billed: need(figure),
      }),
      MOST,
    ),
  ),
})

export const comparisonSchema = objectOf<ComparisonReport>({
  format: tag(COMPARISON_FORMAT),
  plan: need(text),
  month: need(month),
  providers: need(listOf(text, 1_000)),
  until: date.description('The last day that is compared, where the bill ends before its month.'),
  currencies: need(listOf(currencyReport, 200)),
  otherPeriods: need(
    listOf(
      objectOf<ComparisonReport['otherPeriods'][number]>({
        period: need(date),
        currency: need(currency),
        rows: need(Joi.number().integer().min(0)),
        effective: need(figure),
      }),
      10_000,
    ),
  ),
  leftOut: need(listOf(leftOut, 10_000)),
  troubles: need(listOf(trouble, 100)),
})
