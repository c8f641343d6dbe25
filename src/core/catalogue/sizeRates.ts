import { ownValue } from '../ownValue.ts'
import { keptFor } from '../keptFor.ts'
import { compare, type Exact, add, ZERO } from '../quantity/exact.ts'
import { amountAt, rate, unitsExact, type Rate } from '../quantity/rate.ts'
import { bandRates, type BandRate } from './bandRates.ts'
import { pointerIn, type RegionIndex } from './bookIndex.ts'
import type { Size, Terms } from './priceBook.ts'
import type { SizeRateTexts } from './regionPrices.ts'

/** What one of a size's rates is charged for: the machine, or each vCPU, core or GiB of memory. */
export type SizeRateBase = 'machine' | 'vcpu' | 'core' | 'memory'

interface SizeRatePart {
  readonly base: SizeRateBase
  readonly rate: Rate
  /** It is for these hours of the machine's month alone. */
  readonly hours?: BandRate
}

/** A size's price on some terms: its parts add up. */
export interface SizeRates {
  readonly parts: readonly SizeRatePart[]
  /** Paid once for a whole commitment. */
  readonly upFront?: Rate
}

const FIELDS = [
  ['perSecond', 'machine', 'second'],
  ['perHour', 'machine', 'hour'],
  ['perMonth', 'machine', 'month'],
  ['perVcpuHour', 'vcpu', 'hour'],
  ['perCoreHour', 'core', 'hour'],
  ['perGiBHour', 'memory', 'hour'],
] as const satisfies readonly (readonly [keyof SizeRateTexts, SizeRateBase, Rate['per']])[]

const ratesOf: (region: RegionIndex) => (terms: Terms) => Map<string, SizeRates> = keptFor(() =>
  keptFor(() => new Map()),
)

/** Undefined where the region does not sell the size on these terms. */
export function sizeRates(region: RegionIndex, sizeId: string, terms: Terms): SizeRates | undefined {
  const onTerms = ratesOf(region)(terms)
  const kept = onTerms.get(sizeId)
  if (kept) return kept
  const read = readRates(region, sizeId, terms)
  if (read) onTerms.set(sizeId, read)
  return read
}

function readRates(region: RegionIndex, sizeId: string, terms: Terms): SizeRates | undefined {
  const price = ownValue(region.prices.sizes, sizeId)
  const onDemand = terms.kind === 'on-demand'
  const upFrontText = onDemand ? undefined : ownValue(price?.terms, terms.id)?.upFront
  const texts = onDemand ? price : ownValue(price?.terms, terms.id)
  if (!texts) return undefined
  const path = `sizes/${sizeId}${onDemand ? '' : `/terms/${terms.id}`}`
  const parts: SizeRatePart[] = FIELDS.flatMap(([field, base, per]) => {
    const text = texts[field]
    return text === undefined ? [] : [{ base, rate: rate(text, per, pointerIn(region, `${path}/${field}`)) }]
  })
  if (texts.perHourBands) {
    const bands = bandRates(region, 'hour', texts.perHourBands, `${path}/perHourBands`)
    for (const hours of bands) parts.push({ base: 'machine', rate: hours.rate, hours })
  }
  const upFront =
    upFrontText === undefined ? undefined : rate(upFrontText, 'term', pointerIn(region, `${path}/upFront`))
  if (parts.length === 0 && !upFront) return undefined
  return { parts, ...(upFront && { upFront }) }
}

/** How many times a part is charged for this size. */
export function unitsOf(
  base: SizeRateBase,
  size: Pick<Size, 'vcpu' | 'memoryGiB'> & { readonly cores?: number | undefined },
): number {
  switch (base) {
    case 'machine':
      return 1
    case 'vcpu':
      return size.vcpu
    case 'core':
      return size.cores ?? size.vcpu
    case 'memory':
      return size.memoryGiB
  }
}

/** An hour as ticks out of those that a rate is for. */
const AN_HOUR = { second: [3_600, 1], hour: [1, 1], month: [1, 730] } as const

/** The first hour at the size's rates, a month taken as 730 hours: for putting sizes in order, never for a figure. */
export const roughHour = ({ parts }: SizeRates, size: Size): Exact =>
  parts.reduce((total, { base, rate, hours }) => {
    if (hours && hours.at > 0) return total
    const [ticks, period] = AN_HOUR[rate.per === 'month' || rate.per === 'second' ? rate.per : 'hour']
    return add(total, amountAt(rate, unitsExact(unitsOf(base, size)), ticks, period))
  }, ZERO)

/** Sizes of a region that have a price on these terms, the cheapest hour first. */
export function sizesByPrice(region: RegionIndex, sizes: readonly Size[], terms: Terms): Size[] {
  const priced = sizes.flatMap((size) => {
    const rates = sizeRates(region, size.id, terms)
    return rates ? [{ size, hour: roughHour(rates, size) }] : []
  })
  return priced.sort((a, b) => compare(a.hour, b.hour)).map(({ size }) => size)
}
