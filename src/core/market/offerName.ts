import type { Machine } from '../machine/plan.ts'
import type { OfferAt } from './scanOffers.ts'
import type { SellerQuestion } from './sellerQuestion.ts'

/** An offer by the ids of its book: what an address or a file holds of it. */
export type OfferName = Pick<Machine, 'provider' | 'region' | 'size' | 'terms'>

export const offerKey = ({ provider, region, size, terms }: OfferName): string =>
  [provider, region, size, terms].join('/')

/** Where it stands among what is asked; undefined where it is not sold there, or may not be. O(sizes + regions + terms). */
export function namedOffer(
  questions: readonly SellerQuestion[],
  { provider, region, size, terms }: OfferName,
): OfferAt | undefined {
  const seller = questions.findIndex(({ basis }) => basis.columns.index.book.provider.id === provider)
  const question = questions[seller]
  if (!question) return undefined
  const { columns } = question.basis
  const at = {
    seller,
    region: columns.regions.findIndex((each) => each.region.id === region),
    terms: columns.terms.findIndex(({ id }) => id === terms),
    size: columns.sizes.findIndex(({ id }) => id === size),
  }
  if (at.region < 0 || at.terms < 0 || at.size < 0) return undefined
  const offer = (at.region * columns.terms.length + at.terms) * columns.sizes.length + at.size
  const isOpen = question.regionOpen[at.region] === 1 && question.termsOpen[at.terms] === 1
  return isOpen && !Number.isNaN(columns.perHour[offer]!) ? at : undefined
}
