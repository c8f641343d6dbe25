import type { YearMonth } from '../calendar/yearMonth.ts'
import { exchanged, exchangeFor } from '../machine/exchange.ts'
import type { Plan } from '../machine/plan.ts'
import { MONTH_PARTS, type MonthPart } from '../meter/monthPart.ts'
import type { PricedMachine } from '../meter/planPricing.ts'
import { shownInPlan } from '../meter/planTotals.ts'
import { splitMonth } from '../meter/splitMonth.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { roundParts } from '../quantity/roundParts.ts'

/** A machine's month as it is shown: the parts add up to `total`, and with `saved` to always on. */
export type ShownSplit = Readonly<Record<MonthPart | 'total' | 'saved', Exact>>

/** In the plan's currency, with so many decimals; undefined where there is no rate. */
export function shownSplit(
  priced: PricedMachine,
  to: string,
  plan: Pick<Plan, 'exchangeRates'>,
  month: YearMonth,
  decimals: number,
): ShownSplit | undefined {
  const { currency, total, alwaysOn } = priced.estimate
  const [shown, always] = [total, alwaysOn].map((amount) =>
    shownInPlan(amount, currency, to, plan, month, decimals),
  )
  if (!shown || !always) return undefined
  const exchange = exchangeFor(currency, to, plan.exchangeRates, month)
  const split = splitMonth(priced)
  const { parts } = roundParts(
    MONTH_PARTS.map((part) => exchanged(split[part], exchange)!),
    decimals,
  )
  const [kept, asked, leak] = parts.map((part) => parseDecimal(part)!) as [Exact, Exact, Exact]
  return { kept, asked, leak, total: shown, saved: subtract(always, shown) }
}

const NOTHING: ShownSplit = { kept: ZERO, asked: ZERO, leak: ZERO, saved: ZERO, total: ZERO }

/** Sums, part by part. */
export const joinSplits = (splits: readonly ShownSplit[]): ShownSplit =>
  splits.reduce(
    (all, { kept, asked, leak, saved, total }) => ({
      kept: add(all.kept, kept),
      asked: add(all.asked, asked),
      leak: add(all.leak, leak),
      saved: add(all.saved, saved),
      total: add(all.total, total),
    }),
    NOTHING,
  )
