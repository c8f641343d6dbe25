import type { PriceBook } from '../catalogue/priceBook.ts'
import type { PricedMachine } from '../meter/planPricing.ts'
import { STATE_OF_PHASE } from '../off/powerState.ts'
import { clipSegments } from '../power/timeline.ts'
import type { Instant } from '../quantity/units.ts'

/** What a provider lets one account have, and what of it a plan uses in a month. */
export interface QuotaUse {
  readonly provider: string
  readonly what: 'vcpu' | 'machines' | 'fixed-addresses'
  /** Of one region or family, by its id, where it is not of the whole account. */
  readonly of?: { readonly kind: 'region' | 'family'; readonly id: string }
  readonly most: number
  /** With all machines on at once that there are in the month. */
  readonly together: number
  /** The most that the schedules hold at one time, and when they first do. */
  readonly peak: number
  readonly peakAt: Instant
}

/**
 * Every quota of the books that price these machines. vCPU count while the hardware is held, which a state says by
 * whether machine time is charged in it; machines while they exist; fixed addresses always. O(segments × log segments).
 */
export function quotaUse(priced: readonly PricedMachine[]): QuotaUse[] {
  const books = new Map<string, { readonly book: PriceBook; readonly own: PricedMachine[] }>()
  for (const each of priced) {
    const { book } = each.resolved.index
    const known = books.get(book.provider.id)
    if (known) known.own.push(each)
    else books.set(book.provider.id, { book, own: [each] })
  }
  return [...books.values()].flatMap(({ book, own }) => usesOf(book, own))
}

function usesOf({ provider, quotas = {} }: PriceBook, own: readonly PricedMachine[]): QuotaUse[] {
  const uses: QuotaUse[] = []
  const note = (
    part: Pick<QuotaUse, 'what' | 'of'>,
    most: number | undefined,
    counted: readonly PricedMachine[],
  ): void => {
    if (most !== undefined) uses.push({ ...part, provider: provider.id, most, ...useOf(part.what, counted) })
  }
  note({ what: 'vcpu' }, quotas.vcpu, own)
  for (const [id, most] of Object.entries(quotas.vcpuByRegion ?? {})) {
    const there = own.filter(({ resolved }) => resolved.machine.region === id)
    note({ what: 'vcpu', of: { kind: 'region', id } }, most, there)
  }
  for (const [id, most] of Object.entries(quotas.vcpuByFamily ?? {})) {
    const alike = own.filter(({ resolved }) => resolved.size.family === id)
    note({ what: 'vcpu', of: { kind: 'family', id } }, most, alike)
  }
  note({ what: 'machines' }, quotas.machines, own)
  note({ what: 'fixed-addresses' }, quotas.fixedAddresses, own)
  return uses
}

function useOf(
  what: QuotaUse['what'],
  counted: readonly PricedMachine[],
): Pick<QuotaUse, 'together' | 'peak' | 'peakAt'> {
  const held = counted.filter((each) => isThere(what, each) && unitsOf(what, each.resolved) > 0)
  const together = held.reduce((sum, { resolved }) => sum + unitsOf(what, resolved), 0)
  return { together, ...peakOf(what, held) }
}

/** Whether there is a machine in the month at any time, or the address that it left. */
function isThere(what: QuotaUse['what'], { resolved, month, estimate }: PricedMachine): boolean {
  const there = clipSegments(estimate.metered.timeline.segments, month)
  return what === 'fixed-addresses' && !resolved.machine.addressGoes
    ? there.length > 0
    : there.some(({ phase }) => phase !== 'deleted')
}

const unitsOf = (what: QuotaUse['what'], { machine, size }: PricedMachine['resolved']): number => {
  switch (what) {
    case 'vcpu':
      return size.vcpu
    case 'machines':
      return 1
    case 'fixed-addresses':
      return machine.address === 'fixed' ? 1 : 0
  }
}

/** Machines of one week take and give back together, with addresses that all stay or all go. */
function byTimeline(what: QuotaUse['what'], held: readonly PricedMachine[]) {
  const known = new Map<object, { stay?: Held; go?: Held }>()
  const all: Held[] = []
  for (const of of held) {
    const { timeline } = of.estimate.metered
    const group = known.get(timeline) ?? {}
    known.set(timeline, group)
    const side = of.resolved.machine.addressGoes ? 'go' : 'stay'
    const alike = (group[side] ??= { of, units: 0 })
    if (alike.units === 0) all.push(alike)
    alike.units += unitsOf(what, of.resolved)
  }
  return all
}

interface Held {
  /** One of them. */
  readonly of: PricedMachine
  units: number
}

/** Sweeps over the times at which a machine takes and gives back what is counted. */
function peakOf(what: QuotaUse['what'], held: readonly PricedMachine[]): Pick<QuotaUse, 'peak' | 'peakAt'> {
  const steps: { readonly at: Instant; readonly change: number }[] = []
  for (const { of, units } of byTimeline(what, held)) {
    const { resolved, month, estimate } = of
    for (const { phase, from, to } of estimate.metered.timeline.segments) {
      const row = resolved.index.book.states[STATE_OF_PHASE[phase]]
      const isKept = phase !== 'deleted' || !resolved.machine.addressGoes
      const counts =
        what === 'fixed-addresses' ? isKept : what === 'vcpu' ? row?.compute : phase !== 'deleted'
      if (!counts || to <= month.from || from >= month.to) continue
      steps.push({ at: from > month.from ? from : month.from, change: units })
      steps.push({ at: to, change: -units })
    }
  }
  // What is given back at a time can be taken again at the same time.
  steps.sort((a, b) => a.at - b.at || a.change - b.change)
  let [now, peak] = [0, 0]
  let peakAt = held[0]?.month.from ?? (0 as Instant)
  for (const { at, change } of steps) {
    now += change
    if (now > peak) [peak, peakAt] = [now, at]
  }
  return { peak, peakAt }
}
