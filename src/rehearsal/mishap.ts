import type { Instant } from '../core/quantity/units.ts'

export const MISHAP_KINDS = [
  'stop-missed',
  'left-on',
  'stopped-only',
  'spot-taken',
  'no-hardware',
  'price-change',
  'left-over',
  'unplanned',
  'other-size',
] as const
/** Something that goes otherwise than planned. */
export type MishapKind = (typeof MISHAP_KINDS)[number]

/**
 * How often each happens, 0 to 1: of all stops that are planned, of all times off, of all starts; and of machines a month
 * for prices, sizes and what is left over or not planned.
 */
export type MishapRates = { readonly [Kind in MishapKind]?: number }

/** What people who keep such lists see in an ordinary month; a guess. */
export const USUAL_RATES = {
  'stop-missed': 0.02,
  'left-on': 0.01,
  'stopped-only': 0.01,
  'spot-taken': 0.03,
  'no-hardware': 0.01,
  'price-change': 0.02,
  'left-over': 0.3,
  unplanned: 0.02,
  'other-size': 0.02,
} as const satisfies MishapRates

export interface Mishap {
  readonly kind: MishapKind
  /** Machine of the plan; of what is not planned, the machine that came to be. */
  readonly machine: string
  readonly at: Instant
  /** What it was: the size that came, the price, the part that is left. */
  readonly what?: string
}
