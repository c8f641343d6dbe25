import type { FieldMeasure } from '../../core/market/fieldMeasure.ts'
import type { FieldPart } from '../../core/market/fieldPart.ts'
import { placeInPart, type FieldScales } from '../../core/market/fieldScales.ts'

export interface FieldTick {
  readonly value: number
  /** Share of the width or height. */
  readonly at: number
}

const POWERS = [1, 10, 100, 1_000, 10_000, 100_000, 0.1, 0.01]
/** Round costs, the roundest first: where there is room for few, those stand. */
const COSTS = [[1], [2, 5], [1.5, 3, 4, 6, 7.5]].flatMap((steps) =>
  POWERS.flatMap((power) => steps.map((step) => step * power)),
)

const MEASURES: Readonly<Record<FieldMeasure, readonly number[]>> = {
  'round-trip': [10, 100, 30, 200, 20, 50, 300, 5, 150, 400],
  vcpu: [1, 4, 16, 64, 256, 2, 8, 32, 128],
  memory: [1, 16, 256, 4, 64, 1_024, 8, 32, 128, 2, 512],
  'iops-per-money': [1, 10, 100, 1_000, 10_000, 3, 30, 300, 3_000, 0.1],
  // The lowest line is that of what pays at once, or within a day.
  'pays-after': [0, 400, 200, 100, 744, 600, 300, 50, 500],
  interruption: [1, 2],
  carbon: [10, 100, 1_000, 300, 30, 500, 200, 50, 700, 150],
}

/** Costs of the axis that stand at least `gap` of the width apart, in order. */
export const costTicks = (scales: FieldScales, part: FieldPart, gap: number): FieldTick[] =>
  apart(
    COSTS.filter((cost) => cost >= least(scales)),
    placeInPart(scales, part).x,
    gap,
  )

/** Below the cheapest there is nothing to read off. */
const least = ({ present, reach }: FieldScales): number => (present - reach.cheaper) / 2

export const measureTicks = (scales: FieldScales, part: FieldPart, gap: number): FieldTick[] =>
  apart(MEASURES[scales.measure], placeInPart(scales, part).y, gap)

function apart(values: readonly number[], placeOf: (value: number) => number, gap: number): FieldTick[] {
  const found: FieldTick[] = []
  for (const value of values) {
    const at = placeOf(value)
    if (at >= 0.02 && at <= 0.96 && found.every((each) => Math.abs(each.at - at) >= gap))
      found.push({ value, at })
  }
  return found.sort((a, b) => a.value - b.value)
}
