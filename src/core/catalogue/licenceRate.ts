import { ownValue } from '../ownValue.ts'
import { rate, type Rate } from '../quantity/rate.ts'
import { pointerIn, type BookIndex, type RegionIndex } from './bookIndex.ts'
import type { Image, Licence, Terms } from './priceBook.ts'
import type { LicencePrices } from './regionPrices.ts'

/** What a licence costs: the machine, or each of its vCPU. */
export interface LicenceRate {
  readonly base: 'machine' | 'vcpu'
  readonly rate: Rate
}

/** Where a machine's licences are looked for. */
export interface LicencePlace {
  readonly index: BookIndex
  readonly region: RegionIndex
  readonly size: string
  readonly terms: Terms
}

const FIELDS = [
  ['perSecond', 'second'],
  ['perHour', 'hour'],
  ['perMonth', 'month'],
] as const

/**
 * The price of a licence on a size and terms: as the size's own price there says, else as its price on demand does, else
 * for each vCPU. Undefined where it is not sold.
 */
export function licenceRate(
  { index, region, size, terms }: LicencePlace,
  id: string,
): LicenceRate | undefined {
  const price = ownValue(region.prices.sizes, size)
  const onTerms = terms.kind === 'on-demand' ? undefined : ownValue(price?.terms, terms.id)
  const own =
    pricedIn(onTerms?.licences, region, `sizes/${size}/terms/${terms.id}/licences`, id) ??
    pricedIn(price?.licences, region, `sizes/${size}/licences`, id)
  if (own) return { base: 'machine', rate: own }
  const each = index.licences.get(id)?.rate
  return each && { base: 'vcpu', rate: each }
}

function pricedIn(
  prices: LicencePrices | undefined,
  region: RegionIndex,
  path: string,
  id: string,
): Rate | undefined {
  const price = ownValue(prices, id)
  for (const [field, per] of FIELDS) {
    const text = price?.[field]
    if (text !== undefined) return rate(text, per, pointerIn(region, `${path}/${id}/${field}`))
  }
  return undefined
}

/** Whether a licence of one's own takes the place of one that an image comes with: never of a subscription. */
export const takesOwnLicence = ({ subscription }: Image, { id, ownLicence }: Licence): boolean =>
  ownLicence && id !== subscription

/** Licences and subscriptions that an image comes with. */
export const licencesOf = ({ licence, subscription }: Image): string[] =>
  [licence, subscription].flatMap((id) => id ?? [])
