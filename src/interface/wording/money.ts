import { roundToUnits, toDecimal, toShortDecimal } from '../../core/quantity/decimal.ts'
import type { Exact } from '../../core/quantity/exact.ts'

const MINUS = '−'

/** Symbol of a currency where it has one, else its code: € or USD. */
export function currencySymbol(currency: string): string {
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

/** Decimal text with thousands set apart and a true minus sign: −1,234.50. */
export function groupDigits(decimal: string): string {
  const negative = decimal.startsWith('-')
  const [whole = '', fraction] = (negative ? decimal.slice(1) : decimal).split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',')
  return `${negative ? MINUS : ''}${grouped}${fraction === undefined ? '' : `.${fraction}`}`
}

/** `€ 58.17`. */
export const formatMoney = (amount: Exact, currency: string, places = 2): string =>
  `${currencySymbol(currency)} ${groupDigits(toDecimal(amount, places))}`

export const formatAmount = (amount: Exact, places = 2): string => groupDigits(toDecimal(amount, places))

/** A difference with its sign: −6.58, +9.26, and 0.00 without one; below half a cent, with as many places as it needs. */
export function formatDifference(amount: Exact): string {
  const places = roundToUnits(amount, 2) === 0n && amount.n !== 0n ? 4 : 2
  if (roundToUnits(amount, places) === 0n && amount.n !== 0n)
    return amount.n > 0n ? '+0.0001' : `${MINUS}0.0001`
  const text = formatAmount(amount, places)
  return amount.n > 0n ? `+${text}` : text
}

/** All digits of an exact amount that a decimal can show, twelve places at most. */
export const formatExact = (amount: Exact): string => groupDigits(toShortDecimal(amount, 12))
