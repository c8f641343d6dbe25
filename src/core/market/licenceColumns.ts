import type { BookIndex } from '../catalogue/bookIndex.ts'
import { licenceRate, licencesOf, takesOwnLicence } from '../catalogue/licenceRate.ts'
import type { Image, Size } from '../catalogue/priceBook.ts'
import { keptFor } from '../keptFor.ts'
import type { Machine } from '../machine/plan.ts'
import { ownValue } from '../ownValue.ts'
import { toNumber } from '../quantity/exact.ts'
import type { Rate } from '../quantity/rate.ts'
import type { MarketColumns } from './marketColumns.ts'

/** What an image's licences cost an hour, beside the machine itself. */
export interface LicenceHours {
  /** For each vCPU, at the least so many. */
  readonly perVcpu: readonly { readonly rate: number; readonly leastVcpu: number }[]
  /** Of licences that have prices of their own beside sizes: by offer, NaN where they are not sold. */
  readonly byOffer: readonly Float64Array[]
}

/** The licences that a machine pays for with an image, as floating numbers for bounds. */
export function licenceHours(
  { ownLicence }: Pick<Machine, 'ownLicence'>,
  image: Image,
  columns: MarketColumns,
  monthHours: number,
): LicenceHours {
  const { index } = columns
  const perVcpu: { rate: number; leastVcpu: number }[] = []
  const byOffer: Float64Array[] = []
  for (const id of licencesOf(image)) {
    const known = index.licences.get(id)
    if (!known || (ownLicence === true && takesOwnLicence(image, known.licence))) continue
    if (!known.rate || pricedBesideSizes(index).has(id))
      byOffer.push(licenceColumn(columns, id, known.licence.leastVcpu, monthHours))
    else perVcpu.push({ rate: toNumber(known.rate.value), leastVcpu: known.licence.leastVcpu })
  }
  return { perVcpu, byOffer }
}

/** Licences that some size of the book has a price of its own for. */
const pricedBesideSizes = keptFor(({ regions, book }: BookIndex): ReadonlySet<string> => {
  const found = new Set<string>()
  for (const { prices } of regions.values()) {
    for (const { id } of book.sizes) {
      const price = ownValue(prices.sizes, id)
      if (!price) continue
      for (const licences of [price, ...Object.values(price.terms ?? {})].map((each) => each.licences))
        for (const licence of Object.keys(licences ?? {})) found.add(licence)
    }
  }
  return found
})

const columnsOf: (columns: MarketColumns) => Map<string, Float64Array> = keptFor(() => new Map())

function licenceColumn(
  columns: MarketColumns,
  id: string,
  leastVcpu: number,
  monthHours: number,
): Float64Array {
  const kept = columnsOf(columns)
  let column = kept.get(id)
  if (!column) {
    const { index, regions, terms, sizes } = columns
    column = new Float64Array(columns.perHour.length).fill(NaN)
    for (const [r, region] of regions.entries())
      for (const [t, each] of terms.entries())
        for (const [s, size] of sizes.entries()) {
          const found = licenceRate({ index, region, size: size.id, terms: each }, id)
          if (!found) continue
          // Of a size of free choice the least that can be chosen: a bound, as everything here.
          const vcpu = size.choice ? size.choice.vcpu.least : size.vcpu
          const units = found.base === 'vcpu' ? Math.max(vcpu, leastVcpu) : 1
          column[(r * terms.length + t) * sizes.length + s] = hourOf(found.rate, monthHours) * units
        }
    kept.set(id, column)
  }
  return column
}

const hourOf = ({ value, per }: Rate, monthHours: number): number =>
  toNumber(value) * (per === 'second' ? 3_600 : per === 'month' ? 1 / monthHours : 1)

/** Those for each vCPU, on a size of so many. */
export const perVcpuHour = ({ perVcpu }: LicenceHours, { vcpu }: Size): number =>
  perVcpu.reduce((sum, { rate, leastVcpu }) => sum + rate * Math.max(vcpu, leastVcpu), 0)
