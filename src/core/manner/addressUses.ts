import type { PriceBook } from '../catalogue/priceBook.ts'
import type {
  AddressPrice,
  ChangingAddressPrice,
  DecimalText,
  RegionPrices,
} from '../catalogue/regionPrices.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { compare, ZERO, type Exact } from '../quantity/exact.ts'
import { OTHER, type BillingAnswer, type AnswerValue } from './billingAnswer.ts'

const USES = ['attachedOn', 'attachedOff', 'unattached'] as const
type Use = (typeof USES)[number]

/** In which uses an address is charged, the likeliest first. */
const CHARGED: ReadonlyMap<AnswerValue, ReadonlySet<Use>> = new Map([
  ['always', new Set(USES)],
  ['while-off', new Set<Use>(['attachedOff', 'unattached'])],
  ['unheld', new Set<Use>(['unattached'])],
])

type Rates = AddressPrice | ChangingAddressPrice

const worth = (text: DecimalText | undefined): Exact =>
  (text === undefined ? ZERO : parseDecimal(text)) ?? ZERO

/** The one price that is asked in some uses and not in others. */
const dearest = (rates: Rates): DecimalText =>
  USES.reduce<DecimalText>((most, use) => {
    const text = rates[use]
    return text !== undefined && compare(worth(text), worth(most)) > 0 ? text : most
  }, '0')

const ratesOf = ({ prices }: PriceBook): Rates[] =>
  Object.values(prices)
    .flatMap(({ addresses: { fixed, changing } }) => [fixed, changing])
    .filter((rates): rates is Rates => rates !== undefined && compare(worth(dearest(rates)), ZERO) > 0)

function isCharged(rates: Rates, uses: ReadonlySet<Use>): boolean {
  const price = worth(dearest(rates))
  return USES.every((use) => {
    const text = rates[use]
    // What a changing address would cost that nothing holds need not be said.
    if (text === undefined) return uses.size > 1
    return compare(worth(text), uses.has(use) ? price : ZERO) === 0
  })
}

function charged(rates: Rates, uses: ReadonlySet<Use>): AddressPrice {
  const price = dearest(rates)
  const rate = (use: Use): DecimalText => (uses.has(use) ? price : '0')
  return {
    attachedOn: rate('attachedOn'),
    attachedOff: rate('attachedOff'),
    unattached: rate('unattached'),
  }
}

const pricesCharged = (prices: RegionPrices, uses: ReadonlySet<Use>): RegionPrices => {
  const { fixed, changing } = prices.addresses
  return {
    ...prices,
    addresses: {
      ...(fixed && { fixed: charged(fixed, uses) }),
      ...(changing && { changing: charged(changing, uses) }),
    },
  }
}

/** While what is an address charged: always, not while its machine runs, or only while nothing holds it. */
export const ADDRESS_USES: BillingAnswer = {
  id: 'address-uses',
  choices: (book) => (ratesOf(book).length > 0 ? [...CHARGED.keys()] : []),
  valueOf: (book) => {
    const all = ratesOf(book)
    return [...CHARGED].find(([, uses]) => all.every((rates) => isCharged(rates, uses)))?.[0] ?? OTHER
  },
  apply: (book, value) => ({
    ...book,
    prices: Object.fromEntries(
      Object.entries(book.prices).map(([region, prices]) => [
        region,
        pricesCharged(prices, CHARGED.get(value)!),
      ]),
    ),
  }),
}
