import { distanceKm, estimatedRoundTripMs } from '../catalogue/distance.ts'
import type { Region } from '../catalogue/priceBook.ts'
import type { UserPlace } from './needs.ts'

export interface RoundTrip {
  readonly from: string
  readonly km: number
  readonly milliseconds: number
  readonly isMeasured: boolean
}

/** From a place to a region and back: as the person measured it, or an estimate from the distance. */
export function roundTrip(place: UserPlace, provider: string, region: Region): RoundTrip {
  const km = distanceKm(place, region)
  const measured = place.measured?.find((each) => each.provider === provider && each.region === region.id)
  return {
    from: place.name,
    km,
    milliseconds: measured?.milliseconds ?? estimatedRoundTripMs(km),
    isMeasured: measured !== undefined,
  }
}
