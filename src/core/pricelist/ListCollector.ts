import type { ListedAddressUse } from './addressUseOfText.ts'
import { DatedPrices, type DatedPrice } from './DatedPrices.ts'
import type { GiB } from '../quantity/units.ts'
import type { CellAt, DiskEntry, LeftOut, ListEntry, PlaceEntry, SizeEntry, SizeFacts } from './listEntry.ts'
import type { ListMapping, TermAnswer } from './listMapping.ts'
import type { Period } from './sizeRows.ts'
import { ListTroubles, MOST_SHOWN, type LeftOutCount } from './ListTroubles.ts'
import { termOfText } from './termOfText.ts'

export interface SizeFound {
  readonly name: string
  readonly facts: SizeFacts
  readonly from: CellAt
  /** By place: on demand, with the system that costs nothing more. */
  readonly prices: Map<string, PriceFound>
  /** By place: on other terms, with other systems. */
  readonly offers: Map<string, Map<string, Offer>>
  /** By place, where the list names zones. */
  readonly zones: Map<string, Set<string>>
}

export interface PriceFound {
  readonly price: string
  readonly period: Period
  readonly upFront?: string
  readonly since?: string
  readonly from: CellAt
}

export interface Offer extends PriceFound {
  /** What the list calls the terms and the system. */
  readonly term: string
  readonly system: string
}

interface DiskFound {
  readonly name: string
  /** By place; each by the room of a whole disk, or for a GiB under `undefined`. */
  readonly prices: Map<string, Map<GiB | undefined, DatedPrice>>
  /** By place, where a GiB is sold in bands. */
  readonly bands: Map<string, DiskEntry[]>
}

const MOST_SIZES = 5_000
const MOST_PLACES = 200
const MOST_DISKS = 500
const MOST_TERMS = 20
const MOST_SYSTEMS = 20

/** Puts together what the rows of a list say. The first of two different answers stands; both are told. */
export class ListCollector {
  readonly sizes = new Map<string, SizeFound>()
  readonly places = new Set<string>()
  readonly disks = new Map<string, DiskFound>()
  /** Fixed addresses, snapshots and bands of traffic by place. */
  readonly addresses = new Map<string, Map<ListedAddressUse | undefined, PlaceEntry>>()
  readonly snapshots = new Map<string, PlaceEntry>()
  readonly traffic = new Map<string, PlaceEntry[]>()
  /** Terms and systems as the list calls them, in the order in which they come. */
  readonly terms = new Map<string, TermAnswer>()
  readonly systems = new Set<string>()
  readonly troubles = new ListTroubles()
  rows = 0
  used = 0
  /** Prices beyond those on demand. */
  offers = 0
  /** Things beyond what a price book holds. */
  beyond = 0
  private readonly dated: DatedPrices
  private readonly offerKeys = new Map<string, Map<string, string>>()
  private readonly answers: ReadonlyMap<string, TermAnswer>

  /** `on` is the day whose prices are wanted, `2027-03-01`. */
  constructor(
    private readonly mapping: Pick<ListMapping, 'terms' | 'plainSystem'> = {},
    private readonly on = '',
  ) {
    this.dated = new DatedPrices(on, this.troubles)
    this.answers = new Map((mapping.terms ?? []).map((answer) => [answer.text, answer]))
  }

  /** O(entries). */
  add(
    row: number,
    { entries, leftOut }: { readonly entries: readonly ListEntry[]; readonly leftOut: readonly LeftOut[] },
    table?: string,
  ): void {
    this.rows += 1
    let isUsed = false
    for (const entry of entries) {
      if (entry.until !== undefined && entry.until < this.on) {
        this.troubles.count(row, { why: 'over', text: entry.until }, table)
        continue
      }
      isUsed = true
      if (entry.is === 'size-price') this.addSize(entry)
      else if (entry.is === 'disk-price') this.addDisk(entry)
      else this.addToPlace(entry)
    }
    if (isUsed) this.used += 1
    for (const each of leftOut) this.troubles.count(row, each, table)
  }

  /** Prices that said what was known already. */
  get duplicates(): number {
    return this.dated.duplicates
  }

  leftOut(): LeftOutCount[] {
    const early = [...this.prices()].filter(({ since = '' }) => since > this.on)
    const examples = early.map(({ from }) => from.row)
    const told = early.slice(0, 1).map(({ since = '' }) => ({
      leftOut: { why: 'early', text: since } as const,
      rows: new Set(examples).size,
      examples: [...new Set(examples)].slice(0, MOST_SHOWN),
    }))
    return [...this.troubles.leftOut(), ...told].sort((a, b) => b.rows - a.rows)
  }

  /** Every price that stands. */
  private *prices(): Generator<DatedPrice> {
    for (const { prices, offers } of this.sizes.values()) {
      yield* prices.values()
      for (const there of offers.values()) yield* there.values()
    }
    for (const { prices, bands } of this.disks.values()) {
      for (const there of [...prices.values(), ...bands.values()]) yield* there.values()
    }
  }

  private addSize(entry: SizeEntry): void {
    const { size: name, facts, place, zone, system, term, price, period, upFront, since, from } = entry
    const size = this.sizeOf(name, facts, from)
    if (!size || !this.knows(place)) return
    const terms = this.termsOf(term)
    if (!terms) {
      this.troubles.count(from.row, { why: 'term', text: term }, from.table)
      return
    }
    if (!this.knowsSystem(system)) return
    if (zone !== undefined) {
      const zones = size.zones.get(place)
      if (zones) zones.add(zone)
      else size.zones.set(place, new Set([zone]))
    }
    // Most prices say neither; to leave both out of an object costs more than all the rest of a row.
    const found: PriceFound =
      upFront === undefined && since === undefined
        ? { price, period, from }
        : {
            price,
            period,
            ...(upFront !== undefined && { upFront }),
            ...(since !== undefined && { since }),
            from,
          }
    if (terms.is === 'on-demand' && this.isPlain(system)) {
      this.dated.put(size.prices, place, found, { of: name, place })
      return
    }
    let there = size.offers.get(place)
    if (!there) size.offers.set(place, (there = new Map()))
    const key = this.offerKey(terms.is === 'on-demand' ? '' : term, system)
    if (this.dated.put(there, key, { ...found, term, system }, { of: name, place })) this.offers += 1
  }

  /** One string for each two: to make it anew for each row would cost more than to look the price up. */
  private offerKey(term: string, system: string): string {
    let ofTerm = this.offerKeys.get(term)
    if (!ofTerm) this.offerKeys.set(term, (ofTerm = new Map()))
    let key = ofTerm.get(system)
    if (key === undefined) ofTerm.set(system, (key = `${term}\n${system}`))
    return key
  }

  /** Whether a system costs nothing more. */
  isPlain(system: string): boolean {
    return system === '' || system === (this.mapping.plainSystem ?? system)
  }

  private sizeOf(name: string, facts: SizeFacts, from: CellAt): SizeFound | undefined {
    const known = this.sizes.get(name)
    if (known) {
      const { vcpu, memoryGiB } = known.facts
      if (vcpu !== facts.vcpu)
        this.troubles.contradict(
          'vcpu',
          name,
          undefined,
          [known.from, String(vcpu)],
          [from, String(facts.vcpu)],
        )
      if (memoryGiB !== facts.memoryGiB)
        this.troubles.contradict(
          'memory',
          name,
          undefined,
          [known.from, String(memoryGiB)],
          [from, String(facts.memoryGiB)],
        )
      return known
    }
    if (this.sizes.size >= MOST_SIZES) {
      this.beyond += 1
      return undefined
    }
    const size: SizeFound = { name, facts, from, prices: new Map(), offers: new Map(), zones: new Map() }
    this.sizes.set(name, size)
    return size
  }

  private termsOf(text: string): TermAnswer | undefined {
    const known = this.terms.get(text)
    if (known) return known
    const answer = this.answers.get(text) ?? answerOf(text)
    if (!answer || answer.is === 'left-out' || this.terms.size >= MOST_TERMS) return undefined
    this.terms.set(text, answer)
    return answer
  }

  private knowsSystem(system: string): boolean {
    if (this.systems.has(system)) return true
    if (this.systems.size >= MOST_SYSTEMS) {
      this.beyond += 1
      return false
    }
    this.systems.add(system)
    return true
  }

  private addDisk(entry: DiskEntry): void {
    const { disk: name, place, wholeGiB } = entry
    let disk = this.disks.get(name)
    if (!disk) {
      if (this.disks.size >= MOST_DISKS) {
        this.beyond += 1
        return
      }
      this.disks.set(name, (disk = { name, prices: new Map(), bands: new Map() }))
    }
    if (!this.knows(place)) return
    if (entry.fromGiB !== undefined || entry.upToGiB !== undefined) {
      this.addBand(disk.bands, entry, name)
      return
    }
    let there = disk.prices.get(place)
    if (!there) disk.prices.set(place, (there = new Map()))
    this.dated.put(there, wholeGiB, entry, { of: name, place })
  }

  private addBand<Entry extends DiskEntry | PlaceEntry>(
    known: Map<string, Entry[]>,
    entry: Entry,
    of: string,
  ): void {
    if (!this.dated.putBand(known, entry, of)) this.beyond += 1
  }

  private addToPlace(entry: PlaceEntry): void {
    const { is, place } = entry
    if (!this.knows(place)) return
    if (is === 'traffic-price') this.addBand(this.traffic, entry, 'traffic')
    else if (is === 'address-price') {
      let uses = this.addresses.get(place)
      if (!uses) this.addresses.set(place, (uses = new Map()))
      this.dated.put(uses, entry.use, entry, { of: 'an address', place })
    } else this.dated.put(this.snapshots, place, entry, { of: 'a snapshot', place })
  }

  private knows(place: string): boolean {
    if (this.places.has(place)) return true
    if (this.places.size >= MOST_PLACES) {
      this.beyond += 1
      return false
    }
    this.places.add(place)
    return true
  }
}

const answerOf = (text: string): TermAnswer | undefined => {
  const answer = termOfText(text)
  return answer && { text, ...answer }
}
