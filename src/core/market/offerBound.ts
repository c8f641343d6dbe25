import type { SellerQuestion } from './sellerQuestion.ts'

/**
 * What an offer costs at the least in the machine's currency: a floating number that is its true cost but for rounding,
 * or below it where prices go by hours. NaN or Infinity where it is not to be had. O(ways).
 */
export function offerBound(question: SellerQuestion, region: number, terms: number, size: number): number {
  const { basis, ways, rate, minimum } = question
  const { columns } = basis
  const lane = region * columns.terms.length + terms
  const offer = lane * columns.sizes.length + size
  const perHour = columns.perHour[offer]!
  if (Number.isNaN(perHour)) return NaN
  let best = Infinity
  for (let at = 0; at < ways.length; at += 1) {
    const cost = wayBound(question, at, region, terms, size, perHour)
    if (cost < best) best = cost
  }
  return (best < minimum && minimumHolds(question, size) ? minimum : best) * rate
}

/** The same for one of the ways; `perHour` is the price of the machine, as its columns have it. */
export function wayBound(
  { basis: { columns }, ways }: SellerQuestion,
  at: number,
  region: number,
  terms: number,
  size: number,
  perHour: number,
): number {
  const { groupAt, hours, beside, licences, byOffer, groups, fitting } = ways[at]!
  const group = groupAt[size]!
  if (group < 0) return Infinity
  const termsCount = columns.terms.length
  const offer = (region * termsCount + terms) * columns.sizes.length + size
  let each = perHour
  const choice = columns.choiceRates.get(offer)
  if (choice) {
    const { vcpu, cores = vcpu, memoryGiB } = fitting.get(size)!.size
    each += choice.perVcpu * vcpu + choice.perCore * cores + choice.perGiB * memoryGiB
  }
  let cost =
    each * hours[group * termsCount + terms]! +
    licences[size]! +
    beside[group * columns.regions.length + region]!
  for (const column of byOffer) cost += column[offer]! * groups[group]!.licenceHours
  return cost
}

/** A provider's least month holds where there is a machine in the month at all. */
const minimumHolds = ({ ways }: SellerQuestion, size: number): boolean =>
  ways.every(({ groups, groupAt }) => groupAt[size]! < 0 || groups[groupAt[size]!]!.exists)
