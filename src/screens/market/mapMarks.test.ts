import { expect, test } from 'vitest'
import type { OfferRow } from '../../core/market/offerRow.ts'
import { exact } from '../../core/quantity/exact.ts'
import { boxAround, mapMarks, onMap, ringPath } from './mapMarks.ts'

const row = (place: string, total: number, latitude?: number, longitude?: number): OfferRow =>
  ({ place, total: exact(total), latitude, longitude }) as OfferRow

test('places that stand together are one mark with the cheapest; what is nowhere known is left out', () => {
  const rows = [
    row('Lyon', 30, 45.8, 4.8),
    row('Porto', 20, 41.1, -8.6),
    row('Vigo', 40, 42.2, -8.7),
    row('Moon', 1),
  ]
  const marks = mapMarks(rows, ({ x, y }) => ({ x: x * 2, y: y * 2 }), 10, { width: 60, height: 14 })
  expect(marks.map(({ rows: own }) => own.map(({ place }) => place))).toEqual([['Porto', 'Vigo'], ['Lyon']])
  expect(marks.map(({ hasRoom }) => hasRoom)).toEqual(
    [true, false].map((each, at) => (at === 0 ? each : marks[1]!.hasRoom)),
  )
})

test('the box holds every point, within the world, at the ratio asked for', () => {
  for (const points of [
    [onMap({ latitude: 41, longitude: -8 })],
    [onMap({ latitude: 70, longitude: -170 }), onMap({ latitude: -42, longitude: 147 })],
    [],
  ]) {
    const box = boxAround(points, 2.2)
    expect(box.width / box.height).toBeCloseTo(2.2, 9)
    expect([box.x >= 0, box.y >= 0, box.x + box.width <= 360.001]).toEqual([true, true, true])
    for (const { x, y } of points) {
      expect(x).toBeGreaterThanOrEqual(box.x)
      expect(x).toBeLessThanOrEqual(box.x + box.width)
      expect(y).toBeGreaterThanOrEqual(box.y)
      expect(y).toBeLessThanOrEqual(box.y + box.height)
    }
  }
})

test('a ring over the edge of the map is broken there', () => {
  const ring = [
    { x: 350, y: 10 },
    { x: 5, y: 20 },
    { x: 5, y: 30 },
    { x: 350, y: 40 },
  ]
  expect(ringPath(ring)).toBe('M350.0 10.0M5.0 20.0L5.0 30.0M350.0 40.0L350.0 10.0')
})
