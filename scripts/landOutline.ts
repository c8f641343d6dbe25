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
  return rings.map((ring) => `M${ring.map(pointText).join('L')}Z`).join('')
}

const tenth = (degrees: number): number => Math.round(degrees * 10) / 10

const pointText = ([east, north]: readonly number[]): string => `${tenth(east! + 180)} ${tenth(90 - north!)}`
