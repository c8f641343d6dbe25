import { feature } from 'topojson-client'
import land110m from 'world-atlas/land-110m.json'

/**
 * The outline of all land as one SVG path, 360 wide and 180 high: degrees east of 180° W, and south of 90° N, to a tenth.
 * From the package `world-atlas`, which has it from Natural Earth (public domain).
 */
export function landOutline(): string {
  const topology = land110m as unknown as Parameters<typeof feature>[0]
  const land = feature(topology, topology.objects.land!)
  const features = land.type === 'FeatureCollection' ? land.features : [land]
  const rings = features.flatMap(({ geometry }) =>
    geometry.type === 'MultiPolygon'
      ? geometry.coordinates.flat()
      : geometry.type === 'Polygon'
        ? geometry.coordinates
        : [],
  )
  return rings
    .flatMap(brokenAtEdge)
    .map((ring) => `M${ring.map(pointText).join('L')}Z`)
    .join('')
}

type Point = readonly number[]

/** A ring that goes over the edge of the map is a piece on each side, each closed along the edge. */
function brokenAtEdge(ring: readonly Point[]): (readonly Point[])[] {
  // The last point is the first one again.
  const points = ring.slice(1)
  const begins = points.flatMap(([east], at) => (Math.abs(east! - points.at(at - 1)![0]!) > 180 ? [at] : []))
  if (begins.length === 0) return [ring]
  return begins.map((from, i) => {
    const to = begins[i + 1] ?? begins[0]! + points.length
    return Array.from({ length: to - from }, (_, at) => points[(from + at) % points.length]!)
  })
}

const tenth = (degrees: number): number => Math.round(degrees * 10) / 10

const pointText = ([east, north]: readonly number[]): string => `${tenth(east! + 180)} ${tenth(90 - north!)}`
