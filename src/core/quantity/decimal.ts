import type { Exact } from './exact.ts'

/** Most digits after the point of an amount that is written, and of most that are read. */
export const MOST_DECIMALS = 12
/** Lists that were divided give prices of more; they are read with all of them. */
const LONGEST = 18

const SCALE = 10n ** BigInt(MOST_DECIMALS)
const LONG_SCALE = 10n ** BigInt(LONGEST)
const DECIMAL = /^(-?)(\d{1,15})(?:\.(\d{1,18}))?$/

/**
 * Reads a plain decimal such as `0.2067`: no exponent, no sign but minus, no grouping. Undefined when it is not one.
 * Results share the denominator 10^12, so that sums of prices stay cheap, but for those with more than 12 decimals.
 */
export function parseDecimal(text: string): Exact | undefined {
  const match = DECIMAL.exec(text)
  if (!match) return undefined
  const [, minus, whole, fraction = ''] = match
  const isLong = fraction.length > MOST_DECIMALS
  const n = BigInt(whole + fraction.padEnd(isLong ? LONGEST : MOST_DECIMALS, '0'))
  return { n: minus ? -n : n, d: isLong ? LONG_SCALE : SCALE }
}

/**
 * The decimal that a number was written as: the shortest one that reads back as it, so that 0.1 is a tenth. Throws for
 * what is not finite, which no checked file holds.
 */
export function exactNumber(value: number): Exact {
  if (Number.isSafeInteger(value)) return { n: BigInt(value), d: 1n }
  const match = /^(-?)(\d+)(?:\.(\d+))?(?:e([+-]\d+))?$/.exec(String(value))
  if (!match) throw new RangeError(`not a finite number: ${value}`)
  const [, minus, whole, fraction = '', exponent = '0'] = match
  const n = BigInt(`${minus}${whole}${fraction}`)
  const tens = Number(exponent) - fraction.length
  return tens >= 0 ? { n: n * 10n ** BigInt(tens), d: 1n } : { n, d: 10n ** BigInt(-tens) }
}

/**
 * The nearest whole number of units of 10^-decimals; halves go away from zero, as spreadsheets and invoices round. The one
 * place in which an amount is rounded.
 */
export function roundToUnits(value: Exact, decimals: number): bigint {
  const scaled = value.n * 10n ** BigInt(decimals)
  const size = scaled < 0n ? -scaled : scaled
  const rounded = (size * 2n + value.d) / (value.d * 2n)
  return scaled < 0n ? -rounded : rounded
}

/** `units` of 10^-decimals as decimal text with all its decimals, such as `-0.0500`. */
export function unitsToDecimal(units: bigint, decimals: number): string {
  const digits = (units < 0n ? -units : units).toString().padStart(decimals + 1, '0')
  const text = decimals === 0 ? digits : `${digits.slice(0, -decimals)}.${digits.slice(-decimals)}`
  return units < 0n ? `-${text}` : text
}

export const toDecimal = (value: Exact, decimals: number): string =>
  unitsToDecimal(roundToUnits(value, decimals), decimals)

/** The exact number that `toDecimal` writes. */
export const roundTo = (value: Exact, decimals: number): Exact => ({
  n: roundToUnits(value, decimals),
  d: 10n ** BigInt(decimals),
})

/** Decimal text without the zeros at its end that say nothing. */
export const trimDecimal = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text)
