/** A point on the globe in degrees, north and east positive. */
export interface GlobePoint {
  readonly latitude: number
  readonly longitude: number
}

/** Mean radius (IUGG). */
const EARTH_KM = 6371.0088
/** Light in glass covers about two thirds of 300 km a millisecond. */
const FIBRE_KM_PER_MS = 200
/** Cables are longer than the great circle, about by half. */
const DETOUR = 1.5
/** What the ends of the line add. */
const ENDS_MS = 4

const radians = (degrees: number): number => (degrees * Math.PI) / 180

/** Along the great circle, by the haversine formula. */
export function distanceKm(from: GlobePoint, to: GlobePoint): number {
  const north = Math.sin(radians(to.latitude - from.latitude) / 2) ** 2
  const east = Math.sin(radians(to.longitude - from.longitude) / 2) ** 2
  const h = north + Math.cos(radians(from.latitude)) * Math.cos(radians(to.latitude)) * east
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)))
}

/** A guess in whole milliseconds, there and back: light in fibre along half as much again as the great circle. */
export const estimatedRoundTripMs = (km: number): number =>
  Math.round((2 * km * DETOUR) / FIBRE_KM_PER_MS + ENDS_MS)
