import { hourClock, type BillingMonth } from '../calendar/billingMonth.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { Size, Terms } from '../catalogue/priceBook.ts'
import type { SizeRateTexts } from '../catalogue/regionPrices.ts'
import { keptFor } from '../keptFor.ts'
import { ownValue } from '../ownValue.ts'
import { lengthOf } from '../quantity/units.ts'

/** Sizes of a block have one least price, by which all of them can be passed over. */
export const BLOCK = 32

/**
 * What a book's offers cost an hour, as floating numbers that bounds are made of; never a figure. An offer is a lane (a
 * region on some terms) and a size; lane = region × terms of the book + terms. Eight bytes an offer.
 */
export interface MarketColumns {
  readonly index: BookIndex
  readonly regions: readonly RegionIndex[]
  readonly terms: readonly Terms[]
  /** By vCPU, so that needs cut off whole blocks. */
  readonly sizes: readonly Size[]
  readonly lanes: number
  readonly blocks: number
  /** At `lane × sizes + size`: of a charged hour, monthly parts and what is paid up front spread over the month; NaN where it is not sold. */
  readonly perHour: Float64Array
  /** At `lane × blocks + block`: the least of its sizes but for those of free choice; Infinity where none of them is sold. */
  readonly leastPerHour: Float64Array
  /** Offers that are sold at all. */
  readonly sold: number
  /** Positions of sizes that leave vCPU and memory to choose; their `perHour` is that of the machine alone. */
  readonly choices: readonly number[]
  /** Of those sizes, by offer. */
  readonly choiceRates: ReadonlyMap<number, ChoiceRates>
  /** Offers whose price depends on the hours: `perHour` is their least. */
  readonly banded: ReadonlySet<number>
}

interface ChoiceRates {
  readonly perVcpu: number
  readonly perCore: number
  readonly perGiB: number
}

/** How many hours a month has in its reading. */
export const monthHours = (month: BillingMonth): number => {
  const { ticksPerHour, ticksPerSecond } = hourClock(month)
  return (lengthOf(month) * ticksPerSecond) / ticksPerHour
}

const columnsOf: (index: BookIndex) => Map<number, MarketColumns> = keptFor(() => new Map())

/** Built once for a book and a length of month: O(regions × terms × sizes). */
export function marketColumns(index: BookIndex, month: BillingMonth): MarketColumns {
  const kept = columnsOf(index)
  const hours = monthHours(month)
  let columns = kept.get(hours)
  if (!columns) {
    // Months have five lengths; those of another one are built again in the time of one question.
    if (kept.size >= 2) kept.clear()
    kept.set(hours, (columns = build(index, hours)))
  }
  return columns
}

function build(index: BookIndex, hours: number): MarketColumns {
  const regions = [...index.regions.values()]
  const { terms } = index.book
  const sizes = [...index.book.sizes].sort((a, b) => a.vcpu - b.vcpu || a.memoryGiB - b.memoryGiB)
  const lanes = regions.length * terms.length
  const blocks = Math.ceil(sizes.length / BLOCK)
  const perHour = new Float64Array(lanes * sizes.length).fill(NaN)
  const leastPerHour = new Float64Array(lanes * blocks).fill(Infinity)
  const choices = sizes.flatMap((size, at) => (size.choice ? [at] : []))
  const choiceRates = new Map<number, ChoiceRates>()
  const banded = new Set<number>()
  let sold = 0
  for (const [at, size] of sizes.entries()) {
    const block = Math.floor(at / BLOCK)
    for (const [region, { prices }] of regions.entries()) {
      const price = ownValue(prices.sizes, size.id)
      if (!price) continue
      for (const [position, each] of terms.entries()) {
        const texts = each.kind === 'on-demand' ? price : ownValue(price.terms, each.id)
        if (!texts) continue
        const rate = hourRate(texts, size, each, hours)
        if (Number.isNaN(rate)) continue
        const lane = region * terms.length + position
        const offer = lane * sizes.length + at
        sold += 1
        perHour[offer] = rate
        if (texts.perHourBands) banded.add(offer)
        if (size.choice) {
          choiceRates.set(offer, choiceRatesOf(texts))
          continue
        }
        const slot = lane * blocks + block
        if (!(leastPerHour[slot]! <= rate)) leastPerHour[slot] = rate
      }
    }
  }
  return {
    index,
    regions,
    terms,
    sizes,
    lanes,
    blocks,
    perHour,
    leastPerHour,
    sold,
    choices,
    choiceRates,
    banded,
  }
}

type RateTexts = SizeRateTexts & {
  readonly perHourBands?: readonly { readonly price: string }[]
  readonly upFront?: string
}

const numberOf = (text: string | undefined): number => (text === undefined ? 0 : Number(text))

/** NaN where no rate stands, as `sizeRates` has it. */
function hourRate(texts: RateTexts, size: Size, terms: Terms, hours: number): number {
  const { perSecond, perHour, perMonth, perVcpuHour, perCoreHour, perGiBHour, perHourBands } = texts
  const upFront = terms.kind === 'on-demand' ? undefined : texts.upFront
  const isSold =
    perHour !== undefined ||
    perVcpuHour !== undefined ||
    perGiBHour !== undefined ||
    perMonth !== undefined ||
    perSecond !== undefined ||
    perCoreHour !== undefined ||
    perHourBands !== undefined ||
    upFront !== undefined
  if (!isSold) return NaN
  let rate = numberOf(perHour)
  if (perSecond !== undefined) rate += Number(perSecond) * 3_600
  if (perMonth !== undefined) rate += Number(perMonth) / hours
  if (perHourBands) rate += Math.min(...perHourBands.map(({ price }) => Number(price)))
  if (upFront !== undefined && terms.kind === 'commitment') rate += Number(upFront) / terms.months / hours
  if (size.choice) return rate
  if (perVcpuHour !== undefined) rate += Number(perVcpuHour) * size.vcpu
  if (perCoreHour !== undefined) rate += Number(perCoreHour) * (size.cores ?? size.vcpu)
  if (perGiBHour !== undefined) rate += Number(perGiBHour) * size.memoryGiB
  return rate
}

const choiceRatesOf = ({ perVcpuHour, perCoreHour, perGiBHour }: RateTexts): ChoiceRates => ({
  perVcpu: numberOf(perVcpuHour),
  perCore: numberOf(perCoreHour),
  perGiB: numberOf(perGiBHour),
})
