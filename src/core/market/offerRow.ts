import type { GiB } from '../quantity/units.ts'
import type { Exact } from '../quantity/exact.ts'
import type { Machine } from '../machine/plan.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { longestRoundTrip } from './longestRoundTrip.ts'

/** An offer as it is listed; plain data. */
export interface OfferRow {
  readonly machine: Machine
  /** The month in the currency of the machine that was asked about. */
  readonly total: Exact
  readonly provider: string
  readonly place: string
  readonly country: string | undefined
  /** Degrees, north and east positive; undefined where the book does not say. */
  readonly latitude: number | undefined
  readonly longitude: number | undefined
  readonly size: string
  readonly family: string
  readonly vcpu: number
  readonly memoryGiB: GiB
  readonly terms: string
  /** Milliseconds from the people who use it; undefined where nobody does, or nobody knows. */
  readonly roundTripMs: number | undefined
  /** Answers about its provider that nobody has confirmed. */
  readonly assumed: number
  /** The edition of the book that prices it, and from when that is valid. */
  readonly edition: string
  readonly validFrom: string
}

export function offerRow(resolved: ResolvedMachine, total: Exact): OfferRow {
  const { machine, index, region, size, terms, users } = resolved
  const { book } = index
  return {
    machine,
    total,
    provider: book.provider.name,
    place: region.region.name,
    country: region.region.country,
    latitude: region.region.latitude,
    longitude: region.region.longitude,
    size: size.name,
    family: book.families.find(({ id }) => id === size.family)?.name ?? size.family,
    vcpu: size.vcpu,
    memoryGiB: size.memoryGiB,
    terms: terms.name,
    roundTripMs: longestRoundTrip(users, book.provider.id, region),
    assumed: book.assumed?.length ?? 0,
    edition: book.edition,
    validFrom: book.valid.from,
  }
}
