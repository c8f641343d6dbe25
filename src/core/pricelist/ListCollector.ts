import type { Size } from '../catalogue/priceBook.ts'
import type { GiB } from '../quantity/units.ts'
import type { CellAt, LeftOut, ListEntry } from './listEntry.ts'
import type { Period } from './sizeRows.ts'

/** Two different answers to one question: which rows gave them. */
export interface Contradiction {
  readonly about: 'price' | 'vcpu' | 'memory'
  readonly of: string
  readonly place?: string
  readonly first: CellAt & { readonly value: string }
  readonly second: CellAt & { readonly value: string }
}

interface SizeFound {
  readonly name: string
  readonly vcpu: number
  readonly memoryGiB: GiB
  readonly architecture?: Size['architecture']
  readonly family?: string
  readonly from: CellAt
  readonly prices: Map<string, PriceFound>
}

interface PriceFound {
  readonly price: string
  readonly period: Period
  readonly from: CellAt
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

export interface LeftOutCount {
  readonly leftOut: LeftOut
  readonly rows: number
  /** The first of them. */
  readonly examples: readonly number[]
}

/** Puts together what the rows of a list say. The first of two different answers stands; both are told. */
export class ListCollector {
  readonly sizes = new Map<string, SizeFound>()
  readonly places = new Set<string>()
  readonly disks = new Map<string, DiskFound>()
  readonly contradictions: Contradiction[] = []
  /** Prices that said what was known already. */
  duplicates = 0
  rows = 0
  used = 0
  /** Things beyond what a price book holds. */
  beyond = 0
  private readonly left = new Map<string, { leftOut: LeftOut; rows: number; examples: number[] }>()

  /** O(entries). */
  add(
    row: number,
    { entries, leftOut }: { readonly entries: readonly ListEntry[]; readonly leftOut: readonly LeftOut[] },
  ): void {
    this.rows += 1
    if (entries.length > 0) this.used += 1
    for (const entry of entries) {
      if (entry.is === 'size-price') this.addSize(entry)
      else this.addDisk(entry)
    }
    for (const each of leftOut) this.count(row, each)
  }

  leftOut(): LeftOutCount[] {
    return [...this.left.values()].sort((a, b) => b.rows - a.rows)
  }

  private count(row: number, leftOut: LeftOut): void {
    const key = leftOut.why === 'unreadable' ? `${leftOut.field} ${leftOut.problem}` : leftOut.why
    const known = this.left.get(key)
    if (!known) this.left.set(key, { leftOut, rows: 1, examples: [row] })
    else {
      known.rows += 1
      if (known.examples.length < MOST_SHOWN) known.examples.push(row)
    }
  }

  private addSize(entry: Extract<ListEntry, { is: 'size-price' }>): void {
    const { size: name, vcpu, memoryGiB, architecture, family, place, price, period, from } = entry
    let size = this.sizes.get(name)
    if (!size) {
      if (this.sizes.size >= MOST_SIZES) {
        this.beyond += 1
        return
      }
      size = {
        name,
        vcpu,
        memoryGiB,
        ...(architecture && { architecture }),
        ...(family !== undefined && { family }),
        from,
        prices: new Map(),
      }
      this.sizes.set(name, size)
    } else {
      if (size.vcpu !== vcpu)
        this.contradict('vcpu', name, undefined, [size.from, String(size.vcpu)], [from, String(vcpu)])
      if (size.memoryGiB !== memoryGiB)
        this.contradict(
          'memory',
          name,
          undefined,
          [size.from, String(size.memoryGiB)],
          [from, String(memoryGiB)],
        )
    }
    if (!this.knows(place)) return
    const before = size.prices.get(place)
    if (!before) size.prices.set(place, { price, period, from })
    else if (before.price === price && before.period === period) this.duplicates += 1
    else this.contradict('price', name, place, [before.from, before.price], [from, price])
  }

  private addDisk({
    disk: name,
    place,
    wholeGiB,
    price,
    from,
  }: Extract<ListEntry, { is: 'disk-price' }>): void {
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
