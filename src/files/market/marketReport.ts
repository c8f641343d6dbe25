import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { NeedId } from '../../core/fit/needId.ts'
import { cheapestOffers } from '../../core/market/cheapestOffers.ts'
import { marketInputs } from '../../core/market/marketInputs.ts'
import { needSavings } from '../../core/market/needSavings.ts'
import { Market } from '../../core/market/market.ts'
import { offerRow, type OfferRow } from '../../core/market/offerRow.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { OffState } from '../../core/off/powerState.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { MOST_DECIMALS, roundTo, toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { subtract, type Exact } from '../../core/quantity/exact.ts'
import { searchLeavesOut, type LeftOut } from '../../core/search/cheapestFit.ts'
import type { EstimateQuestion } from '../estimate/askEstimate.ts'
import { machineIssue } from '../plan/checkPlan.ts'
import type { FileIssue } from '../reading/fileIssue.ts'

export const MARKET_VERSION = 1
export const MARKET_FORMAT = `notchgauge/market/${MARKET_VERSION}` as const

/** What an offer makes of the machine, and its month. Amounts are decimal text to 12 decimals. */
export interface OfferReport {
  readonly provider: string
  readonly providerId: string
  readonly edition: string
  readonly region: string
  readonly zone: string
  readonly place: string
  readonly country?: string
  readonly size: string
  readonly sizeName: string
  readonly vcpu: number
  readonly memoryGiB: number
  readonly terms: string
  readonly termsId: string
  readonly image: string
  readonly off: OffState
  readonly systemDisk: { readonly kind: string; readonly roomGiB: number }
  readonly roundTripMs?: number
  /** Answers about the provider that nobody has confirmed. */
  readonly assumed?: number
  readonly total: string
  /** Less what the machine costs now. */
  readonly difference: string
}

export interface NeedReport {
  readonly need: NeedId
  /** What the cheapest would cost less without it. */
  readonly saves?: string
}

/** What the market answers about one machine; docs/formats/market.md describes it. */
export interface MarketReport {
  readonly format: typeof MARKET_FORMAT
  readonly plan: string
  readonly machine: string
  readonly month: YearMonth
  readonly reading: MonthReading
  /** Of every amount: that of the machine's own provider. */
  readonly currency: string
  readonly now: OfferReport
  /** All that is sold by providers that are looked at. */
  readonly offers: number
  /** The cheapest first, in exact order. */
  readonly cheapest: readonly OfferReport[]
  readonly needs: readonly NeedReport[]
  readonly leftOut: readonly LeftOut[]
}

/** What is asked: a machine of the plan by its name. */
type MarketAsked = EstimateQuestion & { readonly machine: string }

/** The market for one machine of a plan, with the `top` cheapest offers that have all that it needs. */
export function marketReport(asked: MarketAsked, top: number): Outcome<MarketReport, FileIssue> {
  const found = marketOffers(asked, top)
  return found.ok ? accept(found.value.report) : found
}

/** The same, with the machine as each of the offers makes it. */
export function marketOffers(
  { plan, books, month, reading, machine: name }: MarketAsked,
  top: number,
): Outcome<{ readonly report: MarketReport; readonly machines: readonly Machine[] }, FileIssue> {
  const position = plan.machines.findIndex((each) => each.name === name)
  const machine = plan.machines[position]
  if (!machine) {
    const known = plan.machines.slice(0, 8).map((each) => each.name)
    return refuse({
      code: 'unknown-reference',
      pointer: '/machine',
      problem: `There is no machine "${name}" in the plan.`,
      expected: `one of ${known.join(', ')}.`,
    })
  }
  const pricing = new PlanPricing({ plan, books, month, reading })
  const found = marketInputs(pricing, plan, machine)
  if (!found.ok) {
    const [first, ...rest] = found.issues.flatMap((issue) => machineIssue(position, issue))
    return refuse(first!, ...rest)
  }
  const { inputs, total } = found.value
  const market = new Market()
  const questions = market.ask(inputs)
  const offers = cheapestOffers(questions, top)
  const report = (row: OfferRow): OfferReport => offerReport(row, total)
  const answer: MarketReport = {
    format: MARKET_FORMAT,
    plan: plan.name,
    machine: name,
    month,
    reading,
    currency: inputs.resolved.index.book.currency,
    now: report(offerRow(inputs.resolved, total)),
    offers: questions.reduce((sum, { basis }) => sum + basis.columns.sold, 0),
    cheapest: offers.map((offer) => report(offerRow(offer.resolved, offer.total))),
    needs: needSavings(market, inputs, {}, offers[0]?.total).map(({ need, saved }) => ({
      need,
      ...(saved && { saves: decimal(saved) }),
    })),
    leftOut: searchLeavesOut(inputs),
  }
  return accept({ report: answer, machines: offers.map((offer) => offer.machine) })
}

const decimal = (amount: Exact): string => trimDecimal(toDecimal(amount, MOST_DECIMALS))

function offerReport(row: OfferRow, now: Exact): OfferReport {
  const { machine, total, provider, place, country, size, vcpu, memoryGiB, terms, roundTripMs, assumed } = row
  const { kind, roomGiB } = machine.systemDisk
  return {
    provider,
    providerId: machine.provider,
    edition: row.edition,
    region: machine.region,
    zone: machine.zone,
    place,
    ...(country !== undefined && { country }),
    size: machine.size,
    sizeName: size,
    vcpu,
    memoryGiB,
    terms,
    termsId: machine.terms,
    image: machine.image,
    off: machine.off,
    systemDisk: { kind, roomGiB },
    ...(roundTripMs !== undefined && { roundTripMs }),
    ...(assumed > 0 && { assumed }),
    total: decimal(total),
    // Of the figures as they are written, so that whoever subtracts comes to the same.
    difference: decimal(subtract(roundTo(total, MOST_DECIMALS), roundTo(now, MOST_DECIMALS))),
  }
}
