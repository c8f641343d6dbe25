import type { ChargeCategory } from '../bill/billLine.ts'
import type { Exact } from '../quantity/exact.ts'
import type { MeterClass } from './meterClass.ts'

export const CAUSE_CODES = [
  'more-time',
  'less-time',
  'price',
  'discount',
  'other-size',
  'other-terms',
  'quantity',
  'rounding',
  'not-planned',
  'not-billed',
  'left-over',
  'unplanned-machine',
  'never-billed',
  'tax',
  'credit',
  'purchase',
  'adjustment',
  'correction',
  'unexplained',
] as const
export type CauseCode = (typeof CAUSE_CODES)[number]

/** One day on which plan and bill differ. */
export interface DayDifference {
  readonly day: string
  /** In the unit of the cause: seconds of time, GiB and the like. */
  readonly planned: Exact
  readonly billed: Exact
}

/** What of a cause falls on one meter of the machine. */
export interface CausePart {
  readonly meter: MeterClass
  readonly amount: Exact
}

/** A part of the difference between a plan and its bill. All causes add up to it exactly. */
export interface Cause {
  readonly code: CauseCode
  /** Machine of the plan, or resource of the bill; empty for what is about none. */
  readonly of: string
  readonly meter: MeterClass | undefined
  /** Billed more than planned. */
  readonly amount: Exact
  /** What is counted: `time`, `GiB-time`; undefined where nothing is. */
  readonly unit?: string
  readonly days?: readonly DayDifference[]
  /** Price of one unit as planned and as billed, over the days of the cause. */
  readonly prices?: { readonly planned: Exact; readonly billed: Exact }
  /** The first day on which the price differs. */
  readonly since?: string
  /** What was planned and what is on the bill: a size, or a pricing category. */
  readonly names?: { readonly planned: string; readonly billed: string }
  /** Where it is more than one meter: a machine that is on for longer costs a licence and traffic, too. */
  readonly parts?: readonly CausePart[]
}

export const CATEGORY_CAUSE = {
  tax: 'tax',
  credit: 'credit',
  purchase: 'purchase',
  adjustment: 'adjustment',
} as const satisfies Record<Exclude<ChargeCategory, 'usage'>, CauseCode>
