import Joi from 'joi'
import { MONTH_READINGS } from '../../core/calendar/billingMonth.ts'
import { MOST_MACHINES } from '../../core/machine/plan.ts'
import { METERS } from '../../core/meter/charge.ts'
import type { ChargedTime } from '../../core/meter/chargedRuns.ts'
import { STATE_OF_PHASE } from '../../core/off/powerState.ts'
import { listOf, need, objectOf } from '../reading/rules.ts'
import {
  ESTIMATE_FORMAT,
  type BandReport,
  type EstimateReport,
  type LineReport,
  type MachineReport,
  type PaidForReport,
  type UnpricedReport,
} from './estimateReport.ts'

const text = Joi.string()

export const amount = Joi.string().pattern(/^-?\d+(\.\d{1,12})?$/)

const cents = Joi.string().pattern(/^-?\d+\.\d{2}$/)

export const seconds = Joi.number().integer().min(0)

/** Text of the book, which may say nothing. */
const said = text.allow('')

const subject = Joi.object({ of: text.required() })
  .unknown()
  .description(
    'What is charged, by its names in the price book; of a minimum, what all else comes to, as decimal text.',
  )

const waived = Joi.object({ by: Joi.valid('allowance', 'cap', 'own-licence', 'included').required() })
  .unknown()
  .description('Why nothing is charged.')

export const line = objectOf<LineReport>({
  meter: need(Joi.valid(...METERS)),
  subject: need(subject),
  rate: need(text),
  per: need(Joi.valid('second', 'hour', 'month', 'term', 'GiB', '10,000 operations')),
  rateAt: need(text).description('JSON Pointer (RFC 6901) of the rate in the provider’s price book.'),
  units: need(amount).description('vCPU of a licence, GiB of a disk sold by the GiB or of traffic; else 1.'),
  quantity: need(amount).description('How many of what the rate is per: hours, months, or times.'),
  seconds: Joi.number()
    .min(0)
    .description('True seconds that are charged, rounding included, where time is charged.'),
  rounding: objectOf<ChargedTime>({
    charged: need(seconds),
    trueTime: need(seconds),
    added: need(seconds),
    runs: need(seconds),
    minimumSeconds: need(seconds),
    incrementSeconds: need(seconds),
  }),
  band: objectOf<BandReport>({
    number: need(seconds),
    of: need(seconds),
    from: need(text),
    to: text,
    share: text,
    shareAt: text,
  }).description('A part of the month, or of the account’s traffic, that has a rate of its own.'),
  waived,
  amount: need(amount),
}).description('amount = rate × units × quantity, times the share of a band; nothing where it is waived.')

const paidFor = (rule: Joi.StringSchema) =>
  objectOf<PaidForReport>({
    kept: need(rule),
    asked: need(rule),
    leak: need(rule),
    saved: need(rule),
  }).description(
    'What the month is paid for. Kept: disks, snapshots, addresses, memory on disk. Asked: machine time and licences while it runs in the hours of its week, and traffic and operations by that share of the time in which it runs. Leak: the same in time that nobody asked for, and what is restored. They add up to the total, and with what is saved to always on.',
  )

export const machine = objectOf<MachineReport>({
  name: need(text),
  provider: need(text),
  edition: need(text),
  currency: need(text),
  terms: need(text),
  secondsByPhase: need(
    Joi.object(Object.fromEntries(Object.keys(STATE_OF_PHASE).map((phase) => [phase, seconds]))),
  ).description(
    'True seconds of the month in each phase, before a first day as deleted; they sum to the month.',
  ),
  lines: need(Joi.array().items(line)),
  total: need(amount),
  alwaysOn: need(amount),
  paidFor: need(paidFor(amount)),
})

const unpriced = objectOf<UnpricedReport>({
  name: need(text),
  provider: need(text),
  code: need(
    Joi.valid('no-book', 'no-book-then', 'unknown-name', 'not-sold', 'state-not-offered', 'no-price'),
  ),
  problem: need(text).description('Why, in words.'),
})

const shown = objectOf<EstimateReport['total']['shown']>({
  planned: need(cents),
  alwaysOn: need(cents),
  tax: cents,
  withTax: cents,
  paidFor: need(paidFor(cents)),
}).description('To the cent, as the screen has them: sums of the machines’ totals as they are shown.')

/** What an estimate looks like to those who read it; the program writes them and reads none. */
export const estimateSchema = objectOf<EstimateReport>({
  format: need(Joi.valid(ESTIMATE_FORMAT)),
  plan: need(said),
  month: need(Joi.string().pattern(/^\d{4}-\d{2}$/)),
  reading: need(Joi.valid(...MONTH_READINGS)),
  timeZoneData: need(text).description(
    'The release of the IANA time zone database that the estimate goes by, such as 2026f.',
  ),
  machines: need(listOf(machine, MOST_MACHINES)),
  unpriced: need(listOf(unpriced, MOST_MACHINES)).description(
    'Machines without a price in the month: they are in no total.',
  ),
  total: need(
    objectOf<EstimateReport['total']>({
      currency: need(text),
      planned: need(amount),
      alwaysOn: need(amount),
      paidFor: need(paidFor(amount)),
      tax: amount,
      withTax: amount,
      shown: need(shown),
      withoutRate: need(Joi.array().items(text)).description(
        'Currencies of machines that are left out, for want of an exchange rate.',
      ),
    }),
  ),
})
