import { exists, offerBound } from './offerBound.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/**
 * What every fitting size costs at the least in a region on some terms, in the machine's currency: into `costs` from
 * `start` on, first the fixed sizes, then those of free choice. NaN or Infinity where one is not to be had. As
 * `offerBound` has them, in one tight loop for each way: O(ways × sizes).
 */
export function laneCosts(
  question: SellerQuestion,
  region: number,
  terms: number,
  costs: Float64Array,
  start: number,
): void {
  const { basis, sizes, choices, ways, rate, minimum, mostVcpu } = question
  const { perHour, sizes: all, terms: allTerms, vcpu } = basis.columns
  const first = (region * allTerms.length + terms) * all.length
  const end = start + sizes.length
  costs.fill(Infinity, start, end)
  for (const { groups, groupAt, licences, byOffer } of ways) {
    const hours = Float64Array.from(groups, (group) => group.hours[terms]!)
    const beside = Float64Array.from(groups, (group) => group.beside[region]!)
    const hasOwn = byOffer.length > 0
    for (let at = 0; at < sizes.length; at += 1) {
      const size = sizes[at]!
      const group = groupAt[size]!
      if (group < 0) continue
      let cost = perHour[first + size]! * hours[group]! + licences[size]! + beside[group]!
      if (hasOwn) cost += ownLicences(byOffer, first + size) * groups[group]!.licenceHours
      if (cost < costs[start + at]!) costs[start + at] = cost
    }
  }
  const most = mostVcpu[region]!
  if (minimum > 0 || rate !== 1 || most < Infinity) {
    for (let at = 0; at < sizes.length; at += 1) {
      const slot = start + at
      if (costs[slot]! < minimum && exists(ways, sizes[at]!)) costs[slot] = minimum
      costs[slot] = vcpu[sizes[at]!]! > most ? NaN : costs[slot]! * rate
    }
  }
  const full = question.full[region]
  if (full) for (const [at, size] of sizes.entries()) if (full.has(size)) costs[start + at] = NaN
  for (const [at, size] of choices.entries()) {
    const isAllowed = question.choiceWays.every(({ fitting }) => (fitting(size)?.size.vcpu ?? 0) <= most)
    costs[end + at] = isAllowed ? offerBound(question, region, terms, size) : NaN
  }
}

/** Licences that have prices beside sizes, for an hour. */
const ownLicences = (byOffer: readonly Float64Array[], offer: number): number =>
  byOffer.reduce((sum, column) => sum + column[offer]!, 0)
