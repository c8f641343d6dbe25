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
  /** At `lane × sizes + size`: of a charged hour, monthly parts and what is paid up front spread over the month, of bands of hours the least; NaN where it is not sold. */
  readonly perHour: Float64Array
  /** At `lane × blocks + block`: the least of its sizes but for those of free choice; Infinity where none of them is sold. */
  readonly leastPerHour: Float64Array
  /** The same of a block and all after it: needs of vCPU cut off the first ones. */
  readonly leastFrom: Float64Array
  /** Of each size. */
  readonly vcpu: Float64Array
  readonly memoryGiB: Float64Array
  /** Offers that are sold at all. */
  readonly sold: number
  /** Positions of sizes that leave vCPU and memory to choose; their `perHour` is that of the machine alone. */
  readonly choices: readonly number[]
  /** Of those sizes, by offer. */
  readonly choiceRates: ReadonlyMap<number, ChoiceRates>
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
  let sold = 0
  for (const [region, { prices }] of regions.entries()) {
    for (let at = 0; at < sizes.length; at += 1) {
      const size = sizes[at]!
      const price = ownValue(prices.sizes, size.id)
      if (!price) continue
      for (let position = 0; position < terms.length; position += 1) {
        const each = terms[position]!
        const texts = each.kind === 'on-demand' ? price : ownValue(price.terms, each.id)
        const rate = texts ? hourRate(texts, size, each, hours) : NaN
        if (Number.isNaN(rate)) continue
        const lane = region * terms.length + position
        const offer = lane * sizes.length + at
        sold += 1
        perHour[offer] = rate
        if (size.choice) {
          choiceRates.set(offer, choiceRatesOf(texts!))
          continue
        }
        const slot = lane * blocks + Math.floor(at / BLOCK)
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
    leastFrom: fromEachOn(leastPerHour, blocks),
    vcpu: Float64Array.from(sizes, (size) => size.vcpu),
    memoryGiB: Float64Array.from(sizes, (size) => size.memoryGiB),
    sold,
    choices,
    choiceRates,
  }
}

function fromEachOn(least: Float64Array, blocks: number): Float64Array {
  const from = Float64Array.from(least)
  for (let at = from.length - 2; at >= 0; at -= 1)
    if ((at + 1) % blocks !== 0 && from[at + 1]! < from[at]!) from[at] = from[at + 1]!
  return from
}

type RateTexts = SizeRateTexts & {
  readonly perHourBands?: readonly { readonly price: string }[]
  readonly upFront?: string
}

const numberOf = (text: string | undefined): number => (text === undefined ? 0 : Number(text))

/** NaN where no rate stands, as `sizeRates` has it. Most prices are one figure an hour. */
function hourRate(texts: RateTexts, size: Size, terms: Terms, hours: number): number {
  let rate = texts.perHour === undefined ? NaN : Number(texts.perHour)
  const add = (more: number): void => {
    rate = Number.isNaN(rate) ? more : rate + more
  }
  if (texts.perSecond !== undefined) add(Number(texts.perSecond) * 3_600)
  if (texts.perMonth !== undefined) add(Number(texts.perMonth) / hours)
  if (texts.perHourBands) add(Math.min(...texts.perHourBands.map(({ price }) => Number(price))))
  if (texts.upFront !== undefined && terms.kind !== 'on-demand')
    add(terms.kind === 'commitment' ? Number(texts.upFront) / terms.months / hours : 0)
  // Of a size of free choice what it has of these is not known before it is asked for.
  const [vcpu, cores, memory] = size.choice ? [0, 0, 0] : [size.vcpu, size.cores ?? size.vcpu, size.memoryGiB]
  if (texts.perVcpuHour !== undefined) add(Number(texts.perVcpuHour) * vcpu)
  if (texts.perCoreHour !== undefined) add(Number(texts.perCoreHour) * cores)
  if (texts.perGiBHour !== undefined) add(Number(texts.perGiBHour) * memory)
  return rate
}

const choiceRatesOf = ({ perVcpuHour, perCoreHour, perGiBHour }: RateTexts): ChoiceRates => ({
  perVcpu: numberOf(perVcpuHour),
  perCore: numberOf(perCoreHour),
  perGiB: numberOf(perGiBHour),
})
