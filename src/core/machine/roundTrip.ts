import { distanceKm, estimatedRoundTripMs } from '../catalogue/distance.ts'
import type { Region } from '../catalogue/priceBook.ts'
import type { UserPlace } from './needs.ts'

export interface RoundTrip {
  readonly from: string
  /** Absent where the book does not say where the region lies. */
  readonly km?: number
  readonly milliseconds: number
  readonly isMeasured: boolean
}

/**
 * From a place to a region and back: as the person measured it, or an estimate from the distance. Undefined where it was
 * not measured and the book does not say where the region lies.
 */
export function roundTrip(place: UserPlace, provider: string, region: Region): RoundTrip | undefined {
  const { latitude, longitude } = region
  const isPlaced = latitude !== undefined && longitude !== undefined
  const km = isPlaced ? distanceKm(place, { latitude, longitude }) : undefined
  const measured = place.measured?.find((each) => each.provider === provider && each.region === region.id)
  const milliseconds = measured?.milliseconds ?? (km === undefined ? undefined : estimatedRoundTripMs(km))
  return milliseconds === undefined
    ? undefined
    : { from: place.name, ...(km !== undefined && { km }), milliseconds, isMeasured: measured !== undefined }
}
