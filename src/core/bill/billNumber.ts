import type { Exact } from '../quantity/exact.ts'

/** More digits are no figure of a bill. */
const MOST_DIGITS = 60
const NUMBER = /^([+-]?)(\d*)(?:\.(\d*))?(?:e([+-]?\d{1,2}))?$/i

const POWERS: bigint[] = [1n]
const tenTo = (power: number): bigint => (POWERS[power] ??= 10n ** BigInt(power))

/**
 * A decimal of a bill, exactly: any sign, up to 60 digits, an exponent of two digits as some writers have it for small
 * ones. Undefined where it is none. Denominators are powers of ten.
 */
export function billNumber(text: string): Exact | undefined {
  const match = NUMBER.exec(text)
  if (!match) return undefined
  const [, sign, whole = '', fraction = '', exponent] = match
  const digits = whole + fraction
  if (digits === '' || digits.length > MOST_DIGITS) return undefined
  const value = BigInt(digits)
  const n = sign === '-' ? -value : value
  const places = fraction.length - (exponent === undefined ? 0 : Number(exponent))
  return places >= 0 ? { n, d: tenTo(places) } : { n: n * tenTo(-places), d: 1n }
}
