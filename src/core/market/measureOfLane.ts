import { STAYS, TAKEN_AWAY, type FieldMeasure } from './fieldMeasure.ts'
import type { MarketColumns } from './marketColumns.ts'

/** What every offer of a region on some terms has of a measure that goes by those; NaN for other measures. */
export function measureOfLane(
  { regions, terms }: MarketColumns,
  measure: FieldMeasure,
  region: number,
  on: number,
  roundTripMs: number,
): number {
  switch (measure) {
    case 'round-trip':
      return roundTripMs
    case 'interruption':
      return terms[on]!.kind === 'spot' ? TAKEN_AWAY : STAYS
    case 'carbon':
      return regions[region]!.region.carbonGramsPerKwh ?? NaN
    default:
      return NaN
  }
}
