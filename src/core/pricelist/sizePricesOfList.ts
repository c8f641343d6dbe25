import { ownValue } from '../ownValue.ts'
import type { LicencePrice, LicencePrices, SizePrice, TermsPrice } from '../catalogue/regionPrices.ts'
import type { ListCollector, Offer, PriceFound, SizeFound } from './ListCollector.ts'
import type { CellAt } from './listEntry.ts'
import { priceAbove } from './scaledPrice.ts'
import type { Period } from './sizeRows.ts'

/** A price that a book cannot hold: for a system that costs less than the plain one, or is sold without it. */
export interface UnheldPrice {
  readonly why: 'below-plain' | 'without-plain' | 'no-up-front'
  readonly size: string
  readonly place: string
  readonly text: string
  readonly from: CellAt
}

interface Names {
  readonly terms: ReadonlyMap<string, string>
  readonly systems: ReadonlyMap<string, string>
  readonly found: ListCollector
  readonly unheld: (price: UnheldPrice) => void
}

/** Prices of a size in a place: on demand, on terms, and what each system's licence is on top. O(offers). */
export function sizePriceOfList(size: SizeFound, place: string, names: Names): SizePrice | undefined {
  const { found } = names
  const base = size.prices.get(place)
  const offers = [...(size.offers.get(place)?.values() ?? [])]
  const licences = licencesOver(
    base,
    offers.filter((offer) => isOnDemand(found, offer)),
    place,
    size,
    names,
  )
  const terms: [string, TermsPrice][] = []
  for (const [text, id] of names.terms) {
    const onTerms = offers.filter((offer) => offer.term === text)
    const plain = onTerms.find(({ system }) => found.isPlain(system))
    if (plain && needsUpFront(found, text) && plain.upFront === undefined) {
      names.unheld({ why: 'no-up-front', size: size.name, place, text, from: plain.from })
      continue
    }
    const own = licencesOver(
      plain,
      onTerms.filter((offer) => offer !== plain),
      place,
      size,
      names,
    )
    if (!plain) continue
    const differing = Object.entries(own).filter(
      ([licence, price]) => !isSame(ownValue(licences, licence), price),
    )
    terms.push([
      id,
      {
        ...rateOf(plain),
        ...(plain.upFront !== undefined &&
          isCommitment(found, text) &&
          (isPaid(plain.upFront) || needsUpFront(found, text)) && { upFront: plain.upFront }),
        ...(differing.length > 0 && { licences: Object.fromEntries(differing) }),
      },
    ])
  }
  if (!base && terms.length === 0) return undefined
  return {
    ...(base && rateOf(base)),
    ...(terms.length > 0 && { terms: Object.fromEntries(terms) }),
    ...(Object.keys(licences).length > 0 && { licences }),
  }
}

/** Lists write 0 where nothing is paid up front. */
export const isPaid = (upFront: string | undefined): boolean => upFront !== undefined && Number(upFront) > 0

const isOnDemand = ({ terms }: ListCollector, { term }: Offer): boolean => terms.get(term)?.is === 'on-demand'

const isCommitment = ({ terms }: ListCollector, term: string): boolean => terms.get(term)?.is === 'commitment'

const needsUpFront = ({ terms }: ListCollector, term: string): boolean => {
  const { is, upFront = 'none' } = terms.get(term)!
  return is === 'commitment' && upFront !== 'none'
}

/** What the prices with other systems are above the plain one, by the ids of licences. */
function licencesOver(
  plain: PriceFound | undefined,
  offers: readonly Offer[],
  place: string,
  size: SizeFound,
  { systems, found, unheld }: Names,
): LicencePrices {
  const licences: [string, LicencePrice][] = []
  for (const { system, price, period, from } of offers) {
    if (found.isPlain(system)) continue
    const more = plain?.period === period ? priceAbove(price, plain.price) : undefined
    const id = systems.get(system)
    if (more === undefined || id === undefined) {
      unheld({ why: plain ? 'below-plain' : 'without-plain', size: size.name, place, text: system, from })
    } else licences.push([id, { [RATE[period]]: more }])
  }
  return Object.fromEntries(licences)
}

const RATE = { hour: 'perHour', month: 'perMonth', second: 'perSecond' } as const satisfies Record<
  Period,
  keyof LicencePrice
>

const rateOf = ({ price, period }: PriceFound): LicencePrice => ({ [RATE[period]]: price })

const isSame = (one: LicencePrice | undefined, other: LicencePrice): boolean =>
  one !== undefined && Object.values(RATE).every((rate) => one[rate] === other[rate])
