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

/** Within how many kilometres a guessed round trip stays within so many milliseconds; nothing where even the ends take longer. */
export const kmWithin = (milliseconds: number): number =>
  Math.max(0, ((milliseconds + 0.5 - ENDS_MS) * FIBRE_KM_PER_MS) / (2 * DETOUR))

/**
 * The circle of so many kilometres about a point, as points of the globe at equal steps of direction, from north on by
 * east. O(steps).
 */
export function circleAround({ latitude, longitude }: GlobePoint, km: number, steps = 72): GlobePoint[] {
  const [lat, arc] = [radians(latitude), km / EARTH_KM]
  return Array.from({ length: steps }, (_, step) => {
    const bearing = (step / steps) * 2 * Math.PI
    const north = Math.asin(Math.sin(lat) * Math.cos(arc) + Math.cos(lat) * Math.sin(arc) * Math.cos(bearing))
    const east = Math.atan2(
      Math.sin(bearing) * Math.sin(arc) * Math.cos(lat),
      Math.cos(arc) - Math.sin(lat) * Math.sin(north),
    )
    return { latitude: degrees(north), longitude: wrapped(longitude + degrees(east)) }
  })
}

const degrees = (angle: number): number => (angle * 180) / Math.PI

const wrapped = (longitude: number): number => ((((longitude + 180) % 360) + 360) % 360) - 180

/** A guess in whole milliseconds, there and back: light in fibre along half as much again as the great circle. */
export const estimatedRoundTripMs = (km: number): number =>
  Math.round((2 * km * DETOUR) / FIBRE_KM_PER_MS + ENDS_MS)
