import type { CellAt, DiskEntry, PlaceEntry } from './listEntry.ts'
import type { ListTroubles } from './ListTroubles.ts'
import type { Period } from './sizeRows.ts'

/** A price, the first day on which it holds where the list says it, and where it stands. */
export interface DatedPrice {
  readonly price: string
  readonly period?: Period
  /** `2027-03-01`. */
  readonly since?: string
  readonly from: CellAt
}

const MOST_BANDS = 20

/**
 * Puts prices where they belong. Of several for one thing the last that holds on the day that is wanted stands, or the
 * first where none does yet; of two with the same day the first, and both are told.
 */
export class DatedPrices {
  /** Prices that said what was known already. */
  duplicates = 0

  /** `on` is the day whose prices are wanted, `2027-03-01`. */
  constructor(
    private readonly on: string,
    private readonly troubles: ListTroubles,
  ) {}

  /** Whether it is the first for its thing. */
  put<Key, Found extends DatedPrice>(
    known: Map<Key, Found>,
    key: Key,
    found: Found,
    about: { readonly of: string; readonly place: string },
  ): boolean {
    const before = known.get(key)
    if (!before || this.isBetter(before, found)) known.set(key, found)
    else if (before.since === found.since) this.repeated(before, found, about)
    return !before
  }

  /** Puts a band beside the others of its place; false where there are too many of them. */
  putBand<Entry extends DiskEntry | PlaceEntry>(
    known: Map<string, Entry[]>,
    entry: Entry,
    of: string,
  ): boolean {
    const { place } = entry
    const bands = known.get(place) ?? []
    const at = bands.findIndex((band) => band.fromGiB === entry.fromGiB && band.upToGiB === entry.upToGiB)
    const same = bands[at]
    if (!same) {
      if (bands.length >= MOST_BANDS) return false
      known.set(place, [...bands, entry])
    } else if (this.isBetter(same, entry)) bands[at] = entry
    else if (same.since === entry.since) this.repeated(same, entry, { of, place })
    return true
  }

  /** Whether a price holds on the day that is wanted rather than another one; the other one is told. */
  private isBetter(before: DatedPrice, found: DatedPrice): boolean {
    if (before.since === found.since) return false
    const holds = ({ since = '' }: DatedPrice): boolean => since <= this.on
    const isLater = (before.since ?? '') < (found.since ?? '')
    const isBetter = holds(found) ? isLater || !holds(before) : !isLater && !holds(before)
    const worse = isBetter ? before : found
    this.troubles.count(worse.from.row, { why: 'other-day', text: worse.since ?? '' }, worse.from.table)
    return isBetter
  }

  private repeated(
    before: DatedPrice,
    found: DatedPrice,
    { of, place }: { readonly of: string; readonly place: string },
  ): void {
    if (before.price === found.price && before.period === found.period) this.duplicates += 1
    else this.troubles.contradict('price', of, place, [before.from, before.price], [found.from, found.price])
  }
}
