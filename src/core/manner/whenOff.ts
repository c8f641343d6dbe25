import { ownValue } from '../ownValue.ts'
import type { PriceBook, StateRow, Terms } from '../catalogue/priceBook.ts'
import type { RegionPrices, SizePrice } from '../catalogue/regionPrices.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

/**
 * What becomes of a machine that is shut down. `gives-back`: the hardware goes back and is free; `keeps-charged`: a stop
 * keeps it and is charged, giving it back is another action; `until-deleted`: charged until it is deleted, whatever it
 * does, as flat plans are.
 */
const VALUES = ['gives-back', 'keeps-charged', 'until-deleted'] as const
type WhenOff = (typeof VALUES)[number]

const ON: StateRow = { compute: true, licence: true, disks: true, address: 'attachedOn', memoryImage: false }

/** Off, with the hardware kept and charged, or given back. */
const off = (kept: boolean): StateRow => ({
  compute: kept,
  licence: kept,
  disks: true,
  address: 'attachedOff',
  memoryImage: false,
})

const DELETED: StateRow = {
  compute: false,
  licence: false,
  disks: false,
  address: 'unattached',
  memoryImage: false,
}

const STATES: Readonly<Record<WhenOff, PriceBook['states']>> = {
  'gives-back': { running: ON, deallocated: off(false), deleted: DELETED },
  'keeps-charged': { running: ON, stopped: off(true), deallocated: off(false), deleted: DELETED },
  'until-deleted': { running: ON, stopped: off(true), deleted: DELETED },
}

const ON_DEMAND: Terms = { id: 'on-demand', name: 'On demand', kind: 'on-demand' }
const FLAT: Terms = { id: 'flat', name: 'Until deleted', kind: 'flat' }

export const WHEN_OFF: BillingAnswer = {
  id: 'when-off',
  // A provider that sells both ways answers for each of its terms; no one answer is the whole of it.
  choices: ({ terms }) =>
    terms.filter(({ kind }) => kind === 'on-demand' || kind === 'flat').length === 1 ? VALUES : [],
  valueOf: ({ states, terms }) => {
    const { stopped, deallocated } = states
    const has = (wanted: Terms['kind']): boolean => terms.some(({ kind }) => kind === wanted)
    if (has('flat') && !has('on-demand') && !deallocated) return 'until-deleted'
    if (has('flat') || deallocated?.compute) return OTHER
    if (!stopped) return deallocated ? 'gives-back' : OTHER
    return stopped.compute && deallocated ? 'keeps-charged' : OTHER
  },
  apply: (book, value) => {
    const wanted = value as WhenOff
    return { ...withTerms(book, wanted === 'until-deleted'), states: withStates(book, STATES[wanted]) }
  },
}

/** The states that are wanted, with the times and the hibernation that the book has. */
function withStates({ states }: PriceBook, wanted: PriceBook['states']): PriceBook['states'] {
  const kept = Object.entries(wanted).map(([state, row]) => {
    const own = states[state as keyof typeof states] ?? states.deallocated ?? states.stopped
    if (state === 'running' || !own) return [state, row] as const
    const { leave, return: back } = own
    return [state, { ...row, ...(leave && { leave }), ...(back && { return: back }) }] as const
  })
  const { hibernated } = states
  // Whoever is charged until it is deleted gains nothing by hibernating.
  const hibernates = hibernated && wanted.deallocated
  return { ...(Object.fromEntries(kept) as PriceBook['states']), ...(hibernates && { hibernated }) }
}

/** Prices on demand made flat ones, or the other way; those on other terms stay. */
function withTerms(book: PriceBook, flat: boolean): PriceBook {
  const from = book.terms.find(({ kind }) => kind === (flat ? 'on-demand' : 'flat'))
  if (!from) return book
  // What was a flat term is one again with the cap that it had.
  const { flatCapHours: kept, ...billing } = book.billing
  const cap = from.kind === 'flat' ? from.capHours : undefined
  const to = flat ? { ...FLAT, ...(kept !== undefined && { capHours: kept }) } : ON_DEMAND
  return {
    ...book,
    billing: { ...billing, ...(cap !== undefined && { flatCapHours: cap }) },
    terms: book.terms.map((each) => (each === from ? to : each)),
    prices: Object.fromEntries(
      Object.entries(book.prices).map(([region, prices]) => [region, pricesOn(prices, from, flat)]),
    ),
  }
}

const pricesOn = (prices: RegionPrices, from: Terms, flat: boolean): RegionPrices => ({
  ...prices,
  sizes: Object.fromEntries(
    Object.entries(prices.sizes).map(([size, price]) => [
      size,
      flat ? asFlat(price) : asOnDemand(price, from.id),
    ]),
  ),
})

function asFlat({ zones, terms, ...rates }: SizePrice): SizePrice {
  return { ...(zones && { zones }), terms: { ...terms, [FLAT.id]: rates } }
}

function asOnDemand({ zones, terms = {} }: SizePrice, flatId: string): SizePrice {
  const rates = ownValue(terms, flatId)
  const others = Object.fromEntries(Object.entries(terms).filter(([id]) => id !== flatId))
  return {
    ...rates,
    ...(zones && { zones }),
    ...(Object.keys(others).length > 0 && { terms: others }),
  }
}
