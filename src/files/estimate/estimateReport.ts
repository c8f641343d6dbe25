import type { MonthReading } from '../../core/calendar/billingMonth.ts'
import { ZONE_RELEASE } from '../../core/calendar/zoneData.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import type { Charge } from '../../core/meter/charge.ts'
import type { MeteredMonth } from '../../core/meter/meteredMonth.ts'
import { MONTH_PARTS, type MonthPart } from '../../core/meter/monthPart.ts'
import type { PlanPricing, MachineIssue, MachineResult, PricedMachine } from '../../core/meter/planPricing.ts'
import { planTotals, type PlanTotals } from '../../core/meter/planTotals.ts'
import type { Phase } from '../../core/off/powerState.ts'
import { splitMonth } from '../../core/meter/splitMonth.ts'
import { joinSplits, shownSplit, type ShownSplit } from '../../core/wholePlan/shownSplit.ts'
import { MOST_DECIMALS, roundTo, toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { add, divide, exact, subtract, type Exact } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import type { Rate } from '../../core/quantity/rate.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { machineIssueText } from '../reading/machineIssueText.ts'

export const ESTIMATE_FORMAT = 'notchgauge/estimate/4'

/** One charge: amount = rate × units × quantity, times the band's share; nothing where it is waived. */
export interface LineReport {
  readonly meter: Charge['meter']
  readonly subject: SubjectReport
  readonly rate: string
  readonly per: Rate['per']
  /** JSON Pointer of the rate in the price book. */
  readonly rateAt: string
  readonly units: string
  /** Of what the rate is per: hours, months, or how often; decimal text to 12 decimals. */
  readonly quantity: string
  /** True seconds that are charged, rounding included, where the charge is by time. */
  readonly seconds?: number
  readonly rounding?: Charge['rounding']
  readonly band?: BandReport
  readonly waived?: Charge['waived']
  /** Decimal text to 12 decimals; the lines of a machine add up to its total. */
  readonly amount: string
}

/** As charged, with amounts as decimal text. */
type SubjectReport =
  | Exclude<Charge['subject'], { readonly of: 'minimum' }>
  | { readonly of: 'minimum'; readonly reached: string }

export interface BandReport {
  readonly number: number
  readonly of: number
  readonly from: string
  readonly to?: string
  /** What is charged of the rate, and where the book says so. */
  readonly share?: string
  readonly shareAt?: string
}

export interface MachineReport {
  readonly name: string
  readonly provider: string
  readonly edition: string
  readonly currency: string
  readonly terms: string
  readonly secondsByPhase: { readonly [P in Phase]?: number }
  readonly lines: readonly LineReport[]
  readonly total: string
  readonly alwaysOn: string
  readonly paidFor: PaidForReport
}

/** What a month is paid for: the first three add up to the total, and all four to always on. */
export type PaidForReport = Readonly<Record<MonthPart | 'saved', string>>

/** A machine that is in no total, and why. */
export interface UnpricedReport {
  readonly name: string
  readonly provider: string
  readonly code: MachineIssue['code']
  readonly problem: string
}

/** What the command line answers; docs/formats/estimate.schema.json describes it. */
export interface EstimateReport {
  readonly format: typeof ESTIMATE_FORMAT
  readonly plan: string
  readonly month: YearMonth
  readonly reading: MonthReading
  /** The release of the IANA time zone database that it goes by. */
  readonly timeZoneData: string
  readonly machines: readonly MachineReport[]
  /** Machines without a price in the month: they are in no total. */
  readonly unpriced: readonly UnpricedReport[]
  readonly total: {
    readonly currency: string
    readonly planned: string
    readonly alwaysOn: string
    readonly paidFor: PaidForReport
    readonly tax?: string
    readonly withTax?: string
    /** To the cent, as the screen has them: the sums of the machines' totals as they are shown. */
    readonly shown: {
      readonly planned: string
      readonly alwaysOn: string
      readonly tax?: string
      readonly withTax?: string
      readonly paidFor: PaidForReport
    }
    /** Currencies of machines that are left out of the total, for want of a rate. */
    readonly withoutRate: readonly string[]
  }
}

/** The decimal that the screen shows as exact: 12 decimals at most, without the zeros at its end. */
const decimal = (amount: Exact): string => trimDecimal(toDecimal(amount, MOST_DECIMALS))

export interface PlanResult {
  readonly machine: Machine
  readonly result: MachineResult
}

/** Every machine of a plan, priced together, in the plan's order. */
export function pricePlan(plan: Plan, pricing: PlanPricing, onMachine?: () => void): PlanResult[] {
  return plan.machines.map((machine) => {
    onMachine?.()
    return { machine, result: pricing.of(machine) }
  })
}

/** A plan's machines as they were priced; those that have no price are named. */
export function estimateReport(
  plan: Plan,
  results: readonly PlanResult[],
  month: YearMonth,
  reading: MonthReading,
): EstimateReport {
  const priced = results.flatMap(({ machine, result }) => (result.ok ? [{ machine, ...result }] : []))
  const totalsWith = (decimals: number): PlanTotals =>
    planTotals(
      plan,
      priced.map(({ estimate }) => estimate),
      month,
      decimals,
    )
  const { currency } = totalsWith(CENTS)
  const splitWith = (decimals: number): ShownSplit =>
    joinSplits(priced.flatMap((each) => shownSplit(each, currency, plan, month, decimals) ?? []))
  return {
    format: ESTIMATE_FORMAT,
    plan: plan.name,
    month,
    reading,
    timeZoneData: ZONE_RELEASE,
    machines: priced.map((each) => {
      const { name, provider, terms } = each.machine
      return machineReport({ name, provider, edition: each.resolved.index.book.edition, terms }, each)
    }),
    unpriced: results.flatMap(({ machine: { name, provider }, result }) => {
      if (result.ok) return []
      const [issue] = result.issues
      return [{ name, provider, code: issue!.code, problem: machineIssueText(issue!).problem }]
    }),
    total: totalReport(
      { ...totalsWith(MOST_DECIMALS), split: splitWith(MOST_DECIMALS) },
      { ...totalsWith(CENTS), split: splitWith(CENTS) },
    ),
  }
}

const CENTS = 2

interface SplitTotals extends PlanTotals {
  readonly split: ShownSplit
}

const totalReport = (
  { currency, planned, alwaysOn, tax, withoutRate, split }: SplitTotals,
  shown: SplitTotals,
): EstimateReport['total'] => ({
  currency,
  planned: decimal(planned),
  alwaysOn: decimal(alwaysOn),
  paidFor: paidFor(split, decimal),
  ...(tax && { tax: decimal(tax), withTax: decimal(add(planned, tax)) }),
  shown: {
    planned: toDecimal(shown.planned, CENTS),
    alwaysOn: toDecimal(shown.alwaysOn, CENTS),
    ...(shown.tax && {
      tax: toDecimal(shown.tax, CENTS),
      withTax: toDecimal(add(shown.planned, shown.tax), CENTS),
    }),
    paidFor: paidFor(shown.split, (amount) => toDecimal(amount, CENTS)),
  },
  withoutRate,
})

function machineReport(
  about: Pick<MachineReport, 'name' | 'provider' | 'edition' | 'terms'>,
  priced: PricedMachine,
): MachineReport {
  const { charges, currency, metered, total, alwaysOn } = priced.estimate
  const split = splitMonth(priced)
  const rounded = roundParts(
    MONTH_PARTS.map((part) => split[part]),
    MOST_DECIMALS,
  ).parts.map(trimDecimal)
  const { parts } = roundParts(
    charges.map(({ amount }) => amount),
    MOST_DECIMALS,
  )
  return {
    ...about,
    currency,
    secondsByPhase: secondsOf(metered),
    lines: charges.map((charge, i) => lineReport(charge, trimDecimal(parts[i]!))),
    total: decimal(total),
    alwaysOn: decimal(alwaysOn),
    paidFor: {
      kept: rounded[0]!,
      asked: rounded[1]!,
      leak: rounded[2]!,
      saved: decimal(subtract(roundTo(alwaysOn, MOST_DECIMALS), roundTo(total, MOST_DECIMALS))),
    },
  }
}

/** Before its first day there is as little of a machine as after its last. */
function secondsOf({ phases, timeline }: MeteredMonth): MachineReport['secondsByPhase'] {
  const missing = lengthOf(timeline.month) - [...phases.values()].reduce<number>((sum, time) => sum + time, 0)
  const deleted = (phases.get('deleted') ?? 0) + missing
  return { ...Object.fromEntries(phases), ...(deleted > 0 && { deleted }) }
}

const paidFor = (
  { kept, asked, leak, saved }: ShownSplit,
  text: (amount: Exact) => string,
): PaidForReport => ({ kept: text(kept), asked: text(asked), leak: text(leak), saved: text(saved) })

const lineReport = (charge: Charge, amount: string): LineReport => ({
  meter: charge.meter,
  subject: subjectReport(charge.subject),
  rate: charge.rate.text,
  per: charge.rate.per,
  rateAt: charge.rate.pointer,
  units: decimal(charge.units),
  quantity: decimal(divide(exact(charge.pieces.ticks), exact(charge.ticksPerPeriod))),
  ...(charge.ticksPerSecond > 0 && { seconds: charge.pieces.ticks / charge.ticksPerSecond }),
  ...(charge.rounding && { rounding: charge.rounding }),
  ...(charge.band && { band: bandReport(charge.band) }),
  ...(charge.waived && { waived: charge.waived }),
  amount,
})

const subjectReport = (subject: Charge['subject']): SubjectReport =>
  subject.of === 'minimum' ? { of: 'minimum', reached: decimal(subject.reached) } : subject

const bandReport = ({ at, count, from, to, share }: NonNullable<Charge['band']>): BandReport => ({
  number: at + 1,
  of: count,
  from,
  ...(to !== undefined && { to }),
  ...(share && { share: share.text, shareAt: share.pointer }),
})
