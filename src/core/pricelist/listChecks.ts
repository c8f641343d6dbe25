import { toNumber } from '../quantity/exact.ts'
import { middleOf } from '../quantity/middleOf.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import type { CellAt } from './listEntry.ts'
import type { ListCollector, PriceFound } from './ListCollector.ts'
import type { Period } from './sizeRows.ts'

/** A price so far from those of sizes like it that a decimal may have slipped. */
export interface OddPrice {
  readonly size: string
  readonly place: string
  readonly price: string
  readonly vcpu: number
  /** Times what its like cost a vCPU in that place. */
  readonly factor: number
  readonly from: CellAt
}

/** Far more than sizes of one sort differ by. */
const FAR = 6
const LEAST_ALIKE = 3
const MOST_TOLD = 50

/** Sizes are alike where a list says so, or where their names begin with the same word. */
const sortOf = (name: string, family: string | undefined): string =>
  family ?? /^[\p{L}_-]+/u.exec(name)?.[0].toLowerCase() ?? ''

/** Prices a tenth or ten times of their neighbours’, and those that are nothing at all. O(prices × log prices). */
export function oddPrices(
  { sizes }: ListCollector,
  settled: ReadonlySet<PriceFound> = new Set(),
): OddPrice[] {
  const groups = new Map<
    string,
    {
      size: string
      place: string
      vcpu: number
      each: number
      price: string
      from: CellAt
      isSettled: boolean
    }[]
  >()
  for (const {
    name,
    facts: { vcpu, family },
    prices,
  } of sizes.values()) {
    for (const [place, found] of prices) {
      const { price, period, from } = found
      const key = `${sortOf(name, family)}\n${place}\n${period}`
      const own = {
        size: name,
        place,
        vcpu,
        each: toNumber(parseDecimal(price)!) / vcpu,
        price,
        from,
        isSettled: settled.has(found),
      }
      const group = groups.get(key)
      if (group) group.push(own)
      else groups.set(key, [own])
    }
  }
  const odd: OddPrice[] = []
  for (const group of groups.values()) {
    if (group.length <= LEAST_ALIKE) continue
    const median = middleOf(group.map(({ each }) => each))!
    for (const { each, isSettled, ...told } of group) {
      if (isSettled) continue
      const factor = median === 0 ? 1 : each / median
      if (factor > FAR || factor < 1 / FAR) odd.push({ ...told, factor })
    }
  }
  return odd
    .sort((a, b) => Math.abs(Math.log(b.factor || 1e-9)) - Math.abs(Math.log(a.factor || 1e-9)))
    .slice(0, MOST_TOLD)
}

/** A figure of the book beside the cell that it came from. */
export interface Proof {
  readonly size: string
  readonly vcpu: number
  readonly memoryGiB: number
  readonly place: string
  readonly price: string
  readonly period: Period
  readonly from: CellAt
}

/** Some sizes, spread over the list, in their first two places. */
export function proofs({ sizes }: ListCollector, most = 5): Proof[] {
  const all = [...sizes.values()].filter(({ prices }) => prices.size > 0)
  const step = Math.max(1, Math.floor(all.length / most))
  return all
    .filter((_, i) => i % step === 0)
    .slice(0, most)
    .flatMap(({ name, facts: { vcpu, memoryGiB }, prices }) =>
      [...prices].slice(0, 2).map(([place, { price, period, from }]) => ({
        size: name,
        vcpu,
        memoryGiB,
        place,
        price,
        period,
        from,
      })),
    )
}
