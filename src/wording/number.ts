export const MINUS = '−'

/** Decimal text with thousands set apart and a true minus sign: −1,234.50. */
export function groupDigits(decimal: string): string {
  const negative = decimal.startsWith('-')
  const [whole = '', fraction] = (negative ? decimal.slice(1) : decimal).split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',')
  return `${negative ? MINUS : ''}${grouped}${fraction === undefined ? '' : `.${fraction}`}`
}

/** A count or a figure: 1,234 or 0.125; rounded to so many places where they are given. Not for money. */
export const formatNumber = (value: number, places?: number): string =>
  groupDigits(String(places === undefined ? value : Math.round(value * 10 ** places) / 10 ** places))
