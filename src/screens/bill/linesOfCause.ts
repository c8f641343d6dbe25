import type { Cause } from '../../core/reconcile/cause.ts'
import type { DayBeside } from '../../core/reconcile/linesBeside.ts'
import type { MeterClass } from '../../core/reconcile/meterClass.ts'

/** What a cause is about; empty for all of its days, or meters. */
export interface LinesOfCause {
  readonly days: ReadonlySet<string>
  readonly meters: ReadonlySet<MeterClass>
  /** Tax, credits and what else is apart from usage. */
  readonly isApart: boolean
}

const APART: ReadonlySet<Cause['code']> = new Set(['tax', 'credit', 'purchase', 'adjustment', 'correction'])

export function linesOfCause({ code, days = [], meter, parts = [], since }: Cause): LinesOfCause {
  const meters = [...parts.map((part) => part.meter), ...(meter ? [meter] : [])]
  return {
    days: new Set(since === undefined ? days.map(({ day }) => day) : []),
    meters: new Set(meters),
    isApart: APART.has(code),
  }
}

/** Whether a row is one of those that a cause rests on. */
export const isOfCause = (
  { day, meter, category, billed }: DayBeside,
  { days, meters, isApart }: LinesOfCause,
): boolean =>
  isApart
    ? category !== 'usage' || billed.some((line) => line.isCorrection)
    : (days.size === 0 || days.has(day)) && (meters.size === 0 || (meter !== undefined && meters.has(meter)))
