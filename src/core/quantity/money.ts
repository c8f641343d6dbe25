import { accept, refuse, type Outcome } from '../outcome.ts'
import { add, ZERO, type Exact } from './exact.ts'

/** An amount in one currency (ISO 4217). The currency is part of the type: adding euros to dollars does not compile. */
export interface Money<C extends string = string> {
  readonly currency: C
  readonly amount: Exact
}

export interface CurrencyMismatch {
  readonly code: 'currency-mismatch'
  readonly expected: string
  readonly found: string
}

export const money = <C extends string>(currency: C, amount: Exact): Money<C> => ({ currency, amount })

/** Throws `CurrencyError` when two currencies that are only known at run time differ. */
export function addMoney<C extends string>(a: Money<C>, b: Money<NoInfer<C>>): Money<C> {
  checkSameCurrency(a, b)
  return money(a.currency, add(a.amount, b.amount))
}

/** Sums amounts that came from data. Refused, with the pair that differs, unless all share one currency. */
export function totalMoney(
  parts: readonly Money[],
  currencyWhenEmpty: string,
): Outcome<Money, CurrencyMismatch> {
  const currency = parts[0]?.currency ?? currencyWhenEmpty
  const other = parts.find((part) => part.currency !== currency)
  if (other) return refuse({ code: 'currency-mismatch', expected: currency, found: other.currency })
  return accept(parts.reduce(addMoney, money(currency, ZERO)))
}

export class CurrencyError extends Error implements CurrencyMismatch {
  readonly code = 'currency-mismatch'
  constructor(
    readonly expected: string,
    readonly found: string,
  ) {
    super(`${found} cannot be added to ${expected} without a rate`)
  }
}

function checkSameCurrency(a: Money, b: Money): void {
  if (a.currency !== b.currency) throw new CurrencyError(a.currency, b.currency)
}
