import { exactNumber, parseDecimal } from '../core/quantity/decimal.ts'
import { add, divide, exact, multiply, ZERO, type Exact } from '../core/quantity/exact.ts'
import { ticksOf, type Stretch } from './stretches.ts'

export type Service = 'machines' | 'disks' | 'snapshots' | 'addresses' | 'traffic'

/** One thing that is charged at one price in a month. */
export interface Usage {
  readonly service: Service
  /** Part of the machine that it is for, as its resource is called after the machine; empty for the machine itself. */
  readonly part: string
  readonly meter: string
  /** Price of one unit, decimal text. */
  readonly price: string
  /** What is charged of the price: 0 where it is free, 0.9 for a tenth off. */
  readonly share: Exact
  /** As FOCUS writes units. */
  readonly unit: string
  /** Units that a tick counts. */
  readonly perTick: Exact
  readonly stretches: readonly Stretch[]
  readonly details?: Readonly<Record<string, string | number>>
  readonly commitment?: { readonly name: string; readonly isUsed: boolean }
  readonly pricing?: 'Standard' | 'Dynamic' | 'Committed'
  /** Paid before this month, and on no invoice of it. */
  readonly isPaidAhead?: boolean
}

export const ONE = exact(1)
export const FREE = ZERO

export const priceOf = (text: string): Exact => {
  const price = parseDecimal(text)
  if (!price) throw new RangeError(`not a price: ${text}`)
  return price
}

/** `count` units in so many ticks. */
export const per = (ticks: number, count: Exact = ONE): Exact => divide(count, exact(ticks))

export const number = (value: number): Exact => exactNumber(value)

/** What so many ticks of a usage cost. */
export const costOf = ({ price, share, perTick }: Usage, ticks: number): Exact =>
  multiply(multiply(priceOf(price), share), multiply(perTick, exact(ticks)))

export const totalOf = (usages: readonly Usage[]): Exact =>
  usages.reduce((sum, usage) => add(sum, costOf(usage, ticksOf(usage.stretches))), ZERO)

/** What of a quantity each band has, in order: `upTo` counts from nothing, and the last band has no end. */
export function bandsOf<Band extends { readonly upTo?: number | undefined }>(
  bands: readonly Band[],
  quantity: Exact,
): { readonly band: Band; readonly from: Exact; readonly within: Exact }[] {
  let from = ZERO
  return bands.flatMap((band) => {
    const end = band.upTo === undefined ? quantity : least(number(band.upTo), quantity)
    const within = { n: end.n * from.d - from.n * end.d, d: end.d * from.d }
    if (within.n <= 0n) return []
    const found = { band, from, within }
    from = end
    return [found]
  })
}

const least = (a: Exact, b: Exact): Exact => (a.n * b.d <= b.n * a.d ? a : b)
