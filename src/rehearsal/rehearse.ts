import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { PricedMachine } from '../core/meter/planPricing.ts'
import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import { instant, type Instant, type Span } from '../core/quantity/units.ts'
import type { MachineOrder } from '../practice/machineOrder.ts'
import { PracticeProvider } from '../practice/PracticeProvider.ts'
import { befall, largerSize } from './befall.ts'
import { chanceOf } from './chance.ts'
import { dearerBook } from './dearerBook.ts'
import type { Mishap, MishapKind, MishapRates } from './mishap.ts'
import { orderOf, playMachine, runningSeconds } from './playMonth.ts'
import { plannedSwitches, type PlannedSwitches } from './plannedSwitches.ts'

/** A plan’s machines, ready to be rehearsed any number of times. */
export interface Rehearsed {
  readonly resolved: ResolvedMachine
  readonly month: Span
  readonly planned: PlannedSwitches
  readonly order: MachineOrder
}

/** What one provider was told and did. */
interface RehearsedProvider {
  readonly book: PriceBook
  readonly month: Span
  readonly provider: PracticeProvider
}

export interface Rehearsal {
  readonly providers: readonly RehearsedProvider[]
  /** In order of time. */
  readonly mishaps: readonly Mishap[]
}

/** Plays each machine once as planned, to know how long it runs: its traffic comes over that time. */
export const readyToRehearse = (priced: readonly PricedMachine[]): Rehearsed[] =>
  priced.map(({ resolved, month: { from, to } }) => {
    const month = { from, to }
    const planned = plannedSwitches(resolved, month)
    const dry = playMachine(new PracticeProvider(resolved.index.book), orderOf(resolved), planned)
    return { resolved, month, planned, order: orderOf(resolved, dry && runningSeconds(dry, month)) }
  })

/** Lets the month happen on practice providers, one for each book, with what befalls it by the seed. O(machines × switches). */
export function rehearse(machines: readonly Rehearsed[], rates: MishapRates, seed: number): Rehearsal {
  const mishaps: Mishap[] = []
  const providers: RehearsedProvider[] = []
  const books = [...new Set(machines.map(({ resolved }) => resolved.index.book))]
  for (const book of books) {
    const own = machines.filter(({ resolved }) => resolved.index.book === book)
    const provider = new PracticeProvider(book)
    const { month } = own[0]!
    for (const machine of own) mishaps.push(...live(provider, machine, rates, seed))
    mishaps.push(...changePrices(provider, own, rates, seed))
    providers.push({ book, month, provider })
  }
  return { providers, mishaps: mishaps.sort((a, b) => a.at - b.at) }
}

/** A number between the two, in whole hours after the first. */
const hourWithin = ({ from, to }: Span, share: number): Instant =>
  instant(from + Math.floor((share * (to - from)) / 3_600) * 3_600)

function live(
  provider: PracticeProvider,
  { resolved, month, planned, order }: Rehearsed,
  rates: MishapRates,
  seed: number,
): Mishap[] {
  const { name } = order
  const { switches, mishaps } = befall(resolved, planned, month, rates, seed)
  const more: Mishap[] = []
  const draw = (kind: MishapKind): (() => number) => chanceOf(seed, name, `${kind}, once a month`)
  const otherSize = draw('other-size')
  const larger = otherSize() < (rates['other-size'] ?? 0) ? largerSize(resolved) : undefined
  const made = playMachine(provider, larger ? { ...order, size: larger } : order, { ...planned, switches })
  if (made && larger) more.push({ kind: 'other-size', machine: name, at: month.from, what: larger })
  const left = draw('left-over')
  const { deleted } = planned
  if (made && deleted !== undefined && deleted > month.from && deleted < month.to) {
    const parts = goingParts(order)
    const part = parts[Math.floor(left() * parts.length)]
    if (part !== undefined && left() < (rates['left-over'] ?? 0) && resolved.machine.off !== 'deleted') {
      made.leftBehind.add(part)
      const what = part === 'address' ? part : `disk-${part}`
      more.push({ kind: 'left-over', machine: name, at: deleted, what })
    }
  }
  const spare = draw('unplanned')
  if (spare() < (rates.unplanned ?? 0)) {
    const at = hourWithin(month, spare())
    const { trafficOutGiB: _, ...silent } = order
    provider.create({ order: { ...silent, name: `spare-${name}` }, at, state: 'running' })
    more.push({ kind: 'unplanned', machine: `spare-${name}`, at, what: order.size })
  }
  return [...mishaps, ...more]
}

/** What goes with a machine when it is deleted. */
const goingParts = ({
  systemDisk,
  dataDisks,
  address,
  addressGoes,
}: MachineOrder): (number | 'address')[] => [
  ...[systemDisk, ...dataDisks].flatMap(({ goes }, place) => (goes ? [place] : [])),
  ...(address === 'fixed' && addressGoes ? ['address' as const] : []),
]

function changePrices(
  provider: PracticeProvider,
  machines: readonly Rehearsed[],
  rates: MishapRates,
  seed: number,
): Mishap[] {
  const changes = machines.flatMap(({ resolved: { machine, terms }, month }) => {
    const chance = chanceOf(seed, machine.name, 'price-change')
    if (terms.kind === 'commitment' || chance() >= (rates['price-change'] ?? 0)) return []
    const percent = 2 + Math.floor(chance() * 14)
    return [{ machine, at: hourWithin(month, chance()), percent }]
  })
  let book = provider.book
  return changes
    .sort((a, b) => a.at - b.at)
    .map(({ machine, at, percent }) => {
      book = dearerBook(book, machine.region, machine.size, { n: BigInt(100 + percent), d: 100n })
      provider.changePrices(book, at)
      return { kind: 'price-change', machine: machine.name, at, what: `${machine.size}, ${percent} % more` }
    })
}
