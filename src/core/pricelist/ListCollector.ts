import type { GiB } from '../quantity/units.ts'
import type { CellAt, DiskEntry, LeftOut, ListEntry, PlaceEntry, SizeEntry, SizeFacts } from './listEntry.ts'
import type { ListMapping, TermAnswer } from './listMapping.ts'
import type { Period } from './sizeRows.ts'
import { termOfText } from './termOfText.ts'

/** Two different answers to one question: which rows gave them. */
export interface Contradiction {
  readonly about: 'price' | 'vcpu' | 'memory'
  readonly of: string
  readonly place?: string
  readonly first: CellAt & { readonly value: string }
  readonly second: CellAt & { readonly value: string }
}

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
  readonly prices: Map<string, Map<GiB | undefined, { readonly price: string; readonly from: CellAt }>>
}

/** Faults of one sort are counted, and so many of them shown. */
const MOST_SHOWN = 50
const MOST_SIZES = 5_000
const MOST_PLACES = 200
const MOST_DISKS = 500
const MOST_TERMS = 20
const MOST_SYSTEMS = 20
const MOST_BANDS = 20

export interface LeftOutCount {
  readonly leftOut: LeftOut
  readonly rows: number
  /** The first of them. */
  readonly examples: readonly number[]
  readonly table?: string
}

/** Puts together what the rows of a list say. The first of two different answers stands; both are told. */
export class ListCollector {
  readonly sizes = new Map<string, SizeFound>()
  readonly places = new Set<string>()
  readonly disks = new Map<string, DiskFound>()
  /** Fixed addresses, snapshots and bands of traffic by place. */
  readonly addresses = new Map<string, PlaceEntry>()
  readonly snapshots = new Map<string, PlaceEntry>()
  readonly traffic = new Map<string, PlaceEntry[]>()
  /** Terms and systems as the list calls them, in the order in which they come. */
  readonly terms = new Map<string, TermAnswer>()
  readonly systems = new Set<string>()
  readonly contradictions: Contradiction[] = []
  /** Prices that said what was known already. */
  duplicates = 0
  rows = 0
  used = 0
  /** Prices beyond those on demand. */
  offers = 0
  /** Things beyond what a price book holds. */
  beyond = 0
  private readonly left = new Map<string, { leftOut: LeftOut; rows: number; examples: number[] }>()
  private readonly answers: ReadonlyMap<string, TermAnswer>

  constructor(private readonly mapping: Pick<ListMapping, 'terms' | 'plainSystem'> = {}) {
    this.answers = new Map((mapping.terms ?? []).map((answer) => [answer.text, answer]))
  }

  /** O(entries). */
  add(
    row: number,
    { entries, leftOut }: { readonly entries: readonly ListEntry[]; readonly leftOut: readonly LeftOut[] },
    table?: string,
  ): void {
    this.rows += 1
    if (entries.length > 0) this.used += 1
    for (const entry of entries) {
      if (entry.is === 'size-price') this.addSize(entry)
      else if (entry.is === 'disk-price') this.addDisk(entry)
      else this.addToPlace(entry)
    }
    for (const each of leftOut) this.count(row, each, table)
  }

  leftOut(): LeftOutCount[] {
    return [...this.left.values()].sort((a, b) => b.rows - a.rows)
  }

  private count(row: number, leftOut: LeftOut, table: string | undefined): void {
    const what = leftOut.why === 'unreadable' ? `${leftOut.field} ${leftOut.problem}` : leftOut.why
    const key = `${table ?? ''} ${what}`
    const known = this.left.get(key)
    if (!known)
      this.left.set(key, { leftOut, rows: 1, examples: [row], ...(table !== undefined && { table }) })
    else {
      known.rows += 1
      if (known.examples.length < MOST_SHOWN) known.examples.push(row)
    }
  }

  private addSize(entry: SizeEntry): void {
    const { size: name, facts, place, zone, system, term, price, period, upFront, from } = entry
    const size = this.sizeOf(name, facts, from)
    if (!size || !this.knows(place)) return
    const terms = this.termsOf(term)
    if (!terms) {
      this.count(from.row, { why: 'term', text: term }, from.table)
      return
    }
    if (!this.knowsSystem(system)) return
    if (zone !== undefined) {
      const zones = size.zones.get(place)
      if (zones) zones.add(zone)
      else size.zones.set(place, new Set([zone]))
    }
    const found = { price, period, ...(upFront !== undefined && { upFront }), from }
    if (terms.is === 'on-demand' && this.isPlain(system)) {
      this.put(size.prices, place, found, `${name}`, place)
      return
    }
    let there = size.offers.get(place)
    if (!there) size.offers.set(place, (there = new Map()))
    if (
      this.put(
        there,
        `${terms.is === 'on-demand' ? '' : term}\n${system}`,
        { ...found, term, system },
        name,
        place,
      )
    )
      this.offers += 1
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
        this.contradict('vcpu', name, undefined, [known.from, String(vcpu)], [from, String(facts.vcpu)])
      if (memoryGiB !== facts.memoryGiB)
        this.contradict(
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

  /** Whether it was new. */
  private put<Found extends PriceFound>(
    known: Map<string, Found>,
    key: string,
    found: Found,
    of: string,
    place: string,
  ): boolean {
    const before = known.get(key)
    if (!before) {
      known.set(key, found)
      return true
    }
    if (before.price === found.price && before.period === found.period) this.duplicates += 1
    else this.contradict('price', of, place, [before.from, before.price], [found.from, found.price])
    return false
  }

  private addDisk({ disk: name, place, wholeGiB, price, from }: DiskEntry): void {
    let disk = this.disks.get(name)
    if (!disk) {
      if (this.disks.size >= MOST_DISKS) {
        this.beyond += 1
        return
      }
      this.disks.set(name, (disk = { name, prices: new Map() }))
    }
    if (!this.knows(place)) return
    let there = disk.prices.get(place)
    if (!there) disk.prices.set(place, (there = new Map()))
    const before = there.get(wholeGiB)
    if (!before) there.set(wholeGiB, { price, from })
    else if (before.price === price) this.duplicates += 1
    else this.contradict('price', name, place, [before.from, before.price], [from, price])
  }

  private addToPlace(entry: PlaceEntry): void {
    const { is, place, price, from } = entry
    if (!this.knows(place)) return
    if (is === 'traffic-price') {
      const bands = this.traffic.get(place) ?? []
      const same = bands.find((band) => band.fromGiB === entry.fromGiB && band.upToGiB === entry.upToGiB)
      if (same?.price === price) this.duplicates += 1
      else if (same) this.contradict('price', 'traffic', place, [same.from, same.price], [from, price])
      else if (bands.length >= MOST_BANDS) this.beyond += 1
      else this.traffic.set(place, [...bands, entry])
      return
    }
    const known = is === 'address-price' ? this.addresses : this.snapshots
    const before = known.get(place)
    if (!before) known.set(place, entry)
    else if (before.price === price) this.duplicates += 1
    else {
      const of = is === 'address-price' ? 'an address' : 'a snapshot'
      this.contradict('price', of, place, [before.from, before.price], [from, price])
    }
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

  private contradict(
    about: Contradiction['about'],
    of: string,
    place: string | undefined,
    [first, one]: readonly [CellAt, string],
    [second, other]: readonly [CellAt, string],
  ): void {
    if (this.contradictions.length >= MOST_SHOWN) return
    this.contradictions.push({
      about,
      of,
      ...(place !== undefined && { place }),
      first: { ...first, value: one },
      second: { ...second, value: other },
    })
  }
}

const answerOf = (text: string): TermAnswer | undefined => {
  const answer = termOfText(text)
  return answer && { text, ...answer }
}
