import { MOST_DECIMALS, roundTo, toDecimal, trimDecimal } from '../core/quantity/decimal.ts'
import { NO_CURRENCY } from '../core/quantity/currency.ts'
import { isZero, subtract, type Exact } from '../core/quantity/exact.ts'
import { averagePerHour } from '../core/meter/estimateMachine.ts'
import type { BillingMonth } from '../core/calendar/billingMonth.ts'
import { groupDigits, MINUS } from './number'

/** Decimals of an amount of money, unless more are asked for. */
export const SHOWN_DECIMALS = 2

export const HOURLY_PLACES = 4

const symbols = new Map<string, string>()

/** Symbol of a currency where it has one, else its code: € or USD. Making a formatter is dear: it is asked once. */
export function currencySymbol(currency: string): string {
  let symbol = symbols.get(currency)
  if (symbol === undefined) symbols.set(currency, (symbol = readSymbol(currency)))
  return symbol
}

function readSymbol(currency: string): string {
  try {
    const parts = new Intl.NumberFormat('en', {
      style: 'currency',
      currency,
      currencyDisplay: 'narrowSymbol',
    }).formatToParts(0)
    return parts.find(({ type }) => type === 'currency')?.value ?? currency
  } catch {
    return currency
  }
}

/** The code of a currency; nothing where nothing says which. */
export const currencyCode = (currency: string): string => (currency === NO_CURRENCY ? '' : currency)

/** `€ 58.17`, `−€ 6.58`; the bare amount where nothing says in which currency. */
export const formatMoney = (amount: Exact, currency: string, decimals = SHOWN_DECIMALS): string =>
  moneyText(toDecimal(amount, decimals), currency)

/** The same of decimal text. */
export function moneyText(decimal: string, currency: string): string {
  const digits = groupDigits(decimal)
  if (currency === NO_CURRENCY) return digits
  return digits.startsWith(MINUS)
    ? `${MINUS}${currencySymbol(currency)} ${digits.slice(MINUS.length)}`
    : `${currencySymbol(currency)} ${digits}`
}

/** What a month's amount is on the average hour of that month, `0.0782`. */
export const formatHourly = (amount: Exact, month: BillingMonth): string =>
  formatAmount(averagePerHour(amount, month), HOURLY_PLACES)

/** The same of a difference, with its sign: `−0.0088`. */
export const hourlyDifference = (amount: Exact, month: BillingMonth): string =>
  signed(roundTo(averagePerHour(amount, month), HOURLY_PLACES), HOURLY_PLACES)

export const formatAmount = (amount: Exact, decimals = SHOWN_DECIMALS): string =>
  groupDigits(toDecimal(amount, decimals))

/** The difference of two amounts as they are shown, so that the three figures add up. */
export const shownDifference = (amount: Exact, from: Exact): Exact =>
  subtract(roundTo(amount, SHOWN_DECIMALS), roundTo(from, SHOWN_DECIMALS))

/**
 * A difference with its sign: −6.58, +9.26, or 0.00. Two amounts that differ and look the same are told apart with
 * four decimals.
 */
export function formatDifference(amount: Exact, from: Exact): string {
  const shown = shownDifference(amount, from)
  const exact = subtract(amount, from)
  if (!isZero(shown) || isZero(exact)) return signed(shown, SHOWN_DECIMALS)
  const fine = roundTo(exact, 4)
  return isZero(fine) ? `${exact.n > 0n ? '+' : MINUS}0.0001 or less` : signed(fine, 4)
}

/** An amount as a difference, with its sign. */
export const signedMoney = (amount: Exact): string => signed(roundTo(amount, SHOWN_DECIMALS), SHOWN_DECIMALS)

const signed = (amount: Exact, decimals: number): string =>
  `${amount.n > 0n ? '+' : ''}${formatAmount(amount, decimals)}`

/** Decimal text as a difference, with its sign: +9.26, −6.58, 0.00. */
export const signedDecimal = (decimal: string): string =>
  /[1-9]/.test(decimal) && !decimal.startsWith('-') ? `+${groupDigits(decimal)}` : groupDigits(decimal)

/** All digits of an exact amount that a decimal can show, twelve decimals at most. */
export const formatExact = (amount: Exact): string =>
  groupDigits(trimDecimal(toDecimal(amount, MOST_DECIMALS)))
