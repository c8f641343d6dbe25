import type { SellerQuestion } from './sellerQuestion.ts'
import type { WayColumns } from './wayColumns.ts'

/**
 * What an offer costs at the least in the machine's currency: a floating number that is its true cost but for rounding,
 * or below it where prices go by hours. NaN or Infinity where it is not to be had. O(ways).
 */
export function offerBound(question: SellerQuestion, region: number, terms: number, size: number): number {
  const { basis, rate, minimum } = question
  const { columns } = basis
  const offer = (region * columns.terms.length + terms) * columns.sizes.length + size
  const perHour = columns.perHour[offer]!
  if (Number.isNaN(perHour) || question.full[region]?.has(size)) return NaN
  const ways = waysFor(question, size)
  let best = Infinity
  for (let at = 0; at < ways.length; at += 1) {
    const cost = wayBound(question, ways[at]!, region, terms, size, perHour)
    if (cost < best) best = cost
  }
  return (best < minimum && exists(ways, size) ? minimum : best) * rate
}

export const waysFor = ({ basis, ways, choiceWays }: SellerQuestion, size: number): readonly WayColumns[] =>
  basis.columns.sizes[size]!.choice === undefined ? ways : choiceWays

/** The same for one of the ways, in the seller's currency; `perHour` is the price of the machine, as its columns have it. */
export function wayBound(
  { basis: { columns } }: SellerQuestion,
  way: WayColumns,
  region: number,
  terms: number,
  size: number,
  perHour: number,
): number {
  const at = way.groupAt[size]!
  if (at < 0) return Infinity
  const group = way.groups[at]!
  let each = perHour
  if (columns.choiceRates.size > 0 || way.byOffer.length > 0) {
    const offer = (region * columns.terms.length + terms) * columns.sizes.length + size
    const choice = columns.choiceRates.get(offer)
    if (choice) {
      const { vcpu, cores = vcpu, memoryGiB } = way.fitting(size)!.size
      each += choice.perVcpu * vcpu + choice.perCore * cores + choice.perGiB * memoryGiB
    }
    let licences = 0
    for (const column of way.byOffer) licences += column[offer]! * group.licenceHours
    return each * group.hours[terms]! + licences + way.licences[size]! + group.beside[region]!
  }
  return each * group.hours[terms]! + way.licences[size]! + group.beside[region]!
}

/** A provider's least month holds where there is a machine in the month at all. */
export const exists = (ways: readonly WayColumns[], size: number): boolean =>
  ways.every(({ groups, groupAt }) => groupAt[size]! < 0 || groups[groupAt[size]!]!.exists)
