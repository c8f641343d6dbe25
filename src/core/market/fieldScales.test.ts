import { expect, test } from 'vitest'
import { FIELD_MEASURES, isLessBetter } from './fieldMeasure.ts'
import { WHOLE_FIELD } from './fieldPart.ts'
import { cellEdges, fieldScales, placeInPart } from './fieldScales.ts'

const field = (measure: (typeof FIELD_MEASURES)[number], cheapest: number, dearest: number) =>
  ({ measure, lanes: [], questions: [], cheapest, dearest }) as unknown as Parameters<typeof fieldScales>[0]

test('edges of cells stand where costs and measures are placed, and present costs on the gauge’s line', () => {
  for (const measure of FIELD_MEASURES) {
    const scales = { ...fieldScales(field(measure, 12, 900), 58, 8), least: 30, most: 240 }
    const part = { left: 0.2, right: 0.7, top: 0.1, bottom: 0.6 }
    const place = placeInPart(scales, part)
    const { costs, measured } = cellEdges(scales, part, 10, 5)
    for (const [at, cost] of costs.entries()) expect(place.x(cost)).toBeCloseTo(at / 10, 6)
    const ys = measured.map((value) => place.y(value))
    const expected = measured.map((_, at) => (isLessBetter(measure) ? 1 - at / 5 : at / 5))
    for (const [at, y] of ys.entries()) expect(y).toBeCloseTo(expected[at]!, 6)
    expect(costs.toSorted((a, b) => a - b)).toEqual(costs)
    expect(measured.toSorted((a, b) => a - b)).toEqual(measured)
    expect(placeInPart(scales, WHOLE_FIELD).x(58)).toBeCloseTo(0.46, 2)
  }
})

test('better stands lower; one value alone stands in the middle', () => {
  const far = placeInPart(
    { ...fieldScales(field('round-trip', 1, 2), 1, 10), least: 5, most: 200 },
    WHOLE_FIELD,
  )
  expect(far.y(200)).toBeLessThan(far.y(5))
  const large = placeInPart({ ...fieldScales(field('vcpu', 1, 2), 1, 10), least: 2, most: 64 }, WHOLE_FIELD)
  expect(large.y(2)).toBeLessThan(large.y(64))
  const alone = placeInPart(fieldScales(field('vcpu', Infinity, -Infinity), 28.21, 2), WHOLE_FIELD)
  expect(alone.y(2)).toBeCloseTo(0.5, 9)
  expect(alone.y(1)).toBeLessThan(0.1)
})
