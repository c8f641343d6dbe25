import type { RegionIndex } from '../catalogue/bookIndex.ts'
import type { UserPlace } from '../machine/needs.ts'
import { roundTrip } from '../machine/roundTrip.ts'

/**
 * The longest round trip to a region from the places where people sit, in milliseconds; undefined where nobody sits
 * anywhere, or nobody knows where the region lies.
 */
export function longestRoundTrip(
  users: readonly UserPlace[],
  provider: string,
  { region }: RegionIndex,
): number | undefined {
  let longest: number | undefined
  for (const place of users) {
    const trip = roundTrip(place, provider, region)
    if (!trip) return undefined
    if (longest === undefined || trip.milliseconds > longest) longest = trip.milliseconds
  }
  return longest
}
