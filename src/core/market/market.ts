import { isBoundToProvider, type SearchOptions } from '../search/searchedChoices.ts'
import { keptDecisions } from '../decisions/keptDecisions.ts'
import { ownProvider } from '../notches/pricedProvider.ts'
import type { Machine } from '../machine/plan.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import type { PricedProvider } from '../meter/planPricing.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { AskedForm } from './askedForm.ts'
import { SellerBasis } from './sellerBasis.ts'
import { sellerQuestion, type SellerQuestion } from './sellerQuestion.ts'

/**
 * All that every seller offers, laid out once: questions about one machine after another, or about one with other needs,
 * find what they have in common done. Whoever keeps it keeps eight bytes an offer.
 */
export class Market {
  private readonly bases = new Map<string, { readonly basis: SellerBasis; readonly week: WeekPlan }>()

  /** The question that a machine's needs, week and month put to each seller that it may go to; its own is the first. */
  ask(inputs: PlatesInputs, options: SearchOptions = {}): SellerQuestion[] {
    const { resolved, elsewhere = [] } = inputs
    const kept = keptDecisions(resolved.machine)
    const own = ownProvider(inputs)
    const form = askedForm(inputs, kept)
    const sellers = isBoundToProvider(kept) ? [own] : [own, ...elsewhere]
    return sellers.flatMap(
      (seller) => sellerQuestion(this.basisOf(seller, resolved.week), form, seller === own, options) ?? [],
    )
  }

  private basisOf(seller: PricedProvider, week: WeekPlan): SellerBasis {
    const { id } = seller.index.book.provider
    const known = this.bases.get(id)
    if (known && known.week === week && isSame(known.basis.seller, seller)) return known.basis
    const basis = new SellerBasis(seller)
    this.bases.set(id, { basis, week })
    return basis
  }
}

const isSame = (a: PricedProvider, b: PricedProvider): boolean =>
  a.index === b.index &&
  a.shared === b.shared &&
  a.month.from === b.month.from &&
  a.month.to === b.month.to &&
  a.month.reading === b.month.reading

/** What has no say in a machine's hours, nor in what it costs beside its size: all else has, also what is not known yet. */
const NOT_OF_HOURS: ReadonlySet<string> = new Set<keyof Machine>([
  'needs',
  'purpose',
  'access',
  'setup',
  'accepted',
  'tags',
  'costCentre',
  'variants',
])

function askedForm({ resolved }: PlatesInputs, kept: AskedForm['kept']): AskedForm {
  const { machine, held } = resolved
  const { vcpu, memoryGiB, jurisdictions, usedFrom, roundTripMs, apart, ...others } = machine.needs
  const hoursKey = JSON.stringify(Object.entries(machine).filter(([field]) => !NOT_OF_HOURS.has(field)))
  return { resolved, kept, hoursKey, key: `${hoursKey}|${JSON.stringify([others, held])}` }
}
