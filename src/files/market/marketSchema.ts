import Joi from 'joi'
import { MONTH_READINGS } from '../../core/calendar/billingMonth.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import type { LeftOut } from '../../core/search/cheapestFit.ts'
import { amount } from '../estimate/estimateSchema.ts'
import { listOf, need, objectOf } from '../reading/rules.ts'
import { MARKET_FORMAT, type MarketReport, type NeedReport, type OfferReport } from './marketReport.ts'
import { MOST_LISTED } from './marketLimits.ts'

const text = Joi.string()
const said = text.allow('')
const figure = Joi.number().min(0)

export const offer = objectOf<OfferReport>({
  provider: need(text),
  providerId: need(text).description('As the price book and the plan name it.'),
  edition: need(text),
  region: need(text),
  zone: need(text),
  place: need(text),
  country: text,
  size: need(text),
  sizeName: need(text),
  vcpu: need(figure),
  memoryGiB: need(figure),
  terms: need(text),
  termsId: need(text).description('As the price book and the plan name them.'),
  image: need(text),
  off: need(Joi.valid(...POWER_STATES)),
  systemDisk: need(objectOf<OfferReport['systemDisk']>({ kind: need(text), roomGiB: need(figure) })),
  roundTripMs: figure.description('The longest from the people who use the machine, there and back.'),
  assumed: figure.description('Answers about the provider that nobody has confirmed.'),
  total: need(amount),
  difference: need(amount).description('Less what the machine costs now.'),
}).description('A size at a place of a provider on some terms, and what it makes of the machine.')

/** What the market looks like to those who read it; the program writes it and reads none. */
export const marketSchema = objectOf<MarketReport>({
  format: need(Joi.valid(MARKET_FORMAT)),
  plan: need(said),
  machine: need(text),
  month: need(Joi.string().pattern(/^\d{4}-\d{2}$/)),
  reading: need(Joi.valid(...MONTH_READINGS)),
  currency: need(text).description('Of every amount: that of the machine’s own provider.'),
  now: need(offer),
  offers: need(figure).description('All that is sold by the providers that are looked at.'),
  cheapest: need(listOf(offer, MOST_LISTED)).description('The cheapest first, in exact order.'),
  needs: need(
    listOf(
      objectOf<NeedReport>({
        need: need(text),
        saves: amount.description('What the cheapest would cost less without it.'),
      }),
      100,
    ),
  ),
  leftOut: need(
    listOf(
      objectOf<LeftOut>({
        provider: need(text),
        why: need(Joi.valid('currency', 'image', 'pinned')),
        currency: need(text),
      }),
      100,
    ),
  ).description('Providers that are not looked at, and why.'),
})
