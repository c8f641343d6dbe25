import type { YearMonth } from '../calendar/yearMonth.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { divide, exact, multiply, type Exact } from '../quantity/exact.ts'
import type { ExchangeRate, Plan } from './plan.ts'

/** How amounts in one currency become the plan's: as they are, or by a rate that the person entered. */
export type Exchange =
  | { readonly kind: 'same' }
  | { readonly kind: 'rate'; readonly rate: ExchangeRate; readonly value: Exact }
  /** Nothing is converted without a rate. */
  | { readonly kind: 'missing'; readonly from: string; readonly to: string }

/** The newest rate that is dated no later than the month's last day. */
export function exchangeFor(
  from: string,
  to: string,
  rates: Plan['exchangeRates'],
  month: YearMonth,
): Exchange {
  if (from === to) return { kind: 'same' }
  let newest: ExchangeRate | undefined
  for (const rate of rates ?? []) {
    if (rate.from !== from || rate.to !== to || rate.date > `${month}-31`) continue
    if (!newest || rate.date >= newest.date) newest = rate
  }
  return newest
    ? { kind: 'rate', rate: newest, value: parseDecimal(newest.rate)! }
    : { kind: 'missing', from, to }
}

/** By a rate either way: one that was given for the other direction serves as well, turned round. */
export function exchangeEitherWay(
  from: string,
  to: string,
  rates: Plan['exchangeRates'],
  month: YearMonth,
): Exchange {
  const direct = exchangeFor(from, to, rates, month)
  if (direct.kind !== 'missing') return direct
  const back = exchangeFor(to, from, rates, month)
  return back.kind === 'rate' ? { ...back, value: divide(exact(1), back.value) } : direct
}

/** Undefined where there is no rate. */
export function exchanged(amount: Exact, exchange: Exchange): Exact | undefined {
  if (exchange.kind === 'same') return amount
  return exchange.kind === 'rate' ? multiply(amount, exchange.value) : undefined
}
