/**
 * An exact number: numerator over denominator, `d` always above zero. Plain data, so that it crosses to a
 * worker unchanged. Decimals alone cannot hold a price: one second at an hourly rate divides by 3,600.
 */
export interface Exact {
  readonly n: bigint
  readonly d: bigint
}

export const ZERO: Exact = { n: 0n, d: 1n }

export const exact = (whole: number | bigint): Exact => ({ n: BigInt(whole), d: 1n })

const greatestCommonDivisor = (a: bigint, b: bigint): bigint => {
  let x = a < 0n ? -a : a
  let y = b
  while (y > 0n) [x, y] = [y, x % y]
  return x
}

function reduce(n: bigint, d: bigint): Exact {
  const divisor = greatestCommonDivisor(n, d)
  return divisor > 1n ? { n: n / divisor, d: d / divisor } : { n, d }
}

/** What two denominators are multiplied by to be the same one. */
interface Common {
  readonly timesA: bigint
  readonly timesB: bigint
  readonly d: bigint
}

/** A month has few denominators: its rates' decimals, its hours, its seconds, the rooms of its disks. */
const MOST_KEPT = 4_096
const kept = new Map<bigint, Map<bigint, Common>>()
let keptCount = 0

/** Their least common multiple, found once for each pair. */
function commonOf(a: bigint, b: bigint): Common {
  let ofA = kept.get(a)
  const known = ofA?.get(b)
  if (known) return known
  const divisor = greatestCommonDivisor(a, b)
  const common = { timesA: b / divisor, timesB: a / divisor, d: (a / divisor) * b }
  if (keptCount >= MOST_KEPT) {
    kept.clear()
    keptCount = 0
    ofA = undefined
  }
  if (!ofA) kept.set(a, (ofA = new Map()))
  ofA.set(b, common)
  keptCount += 1
  return common
}

/**
 * Over the least common denominator, and not reduced: so that sums of one month soon share a denominator, and equal
 * ones cost a single addition.
 */
export function add(a: Exact, b: Exact): Exact {
  if (a.d === b.d) return { n: a.n + b.n, d: a.d }
  if (a.n === 0n) return b
  if (b.n === 0n) return a
  const { timesA, timesB, d } = commonOf(a.d, b.d)
  return { n: a.n * timesA + b.n * timesB, d }
}

export const negate = (a: Exact): Exact => ({ n: -a.n, d: a.d })

export const subtract = (a: Exact, b: Exact): Exact => add(a, negate(b))

export const multiply = (a: Exact, b: Exact): Exact => reduce(a.n * b.n, a.d * b.d)

/** Throws on a zero divisor: no caller divides by something it has read from data. */
export function divide(a: Exact, b: Exact): Exact {
  if (b.n === 0n) throw new RangeError('division by zero')
  return b.n > 0n ? reduce(a.n * b.d, a.d * b.n) : reduce(-a.n * b.d, -a.d * b.n)
}

/** Below zero when `a` is less, zero when they are the same number, above zero when `a` is more. */
export function compare(a: Exact, b: Exact): number {
  const left = a.d === b.d ? a.n : a.n * b.d
  const right = a.d === b.d ? b.n : b.n * a.d
  return left < right ? -1 : left > right ? 1 : 0
}

/** Whether both are the same number, or both are not known. */
export const isSame = (a: Exact | undefined, b: Exact | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && compare(a, b) === 0)

export const isZero = (a: Exact): boolean => a.n === 0n

export const sign = (a: Exact): -1 | 0 | 1 => (a.n > 0n ? 1 : a.n < 0n ? -1 : 0)

/** For drawing only: a length on screen, never a figure that is read. */
export const toNumber = (a: Exact): number => {
  const whole = a.n / a.d
  return Number(whole) + Number(a.n - whole * a.d) / Number(a.d)
}
