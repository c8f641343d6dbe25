/**
 * What stands beside the cost: how far it is from the people in milliseconds, what a size has, IOPS that it passes for a
 * unit of money a month, hours on in the month from which it costs less than on demand, whether it can be taken away, and
 * the carbon of the place's electricity in grams for a kilowatt-hour.
 */
export const FIELD_MEASURES = [
  'round-trip',
  'vcpu',
  'memory',
  'iops-per-money',
  'pays-after',
  'interruption',
  'carbon',
] as const
export type FieldMeasure = (typeof FIELD_MEASURES)[number]

/** What an offer's measure depends on: its region and terms, its size, or all of it. */
type MeasuredBy = 'lane' | 'size' | 'offer'

interface MeasureFacts {
  readonly by: MeasuredBy
  readonly isLessBetter: boolean
  /** What is less than this is drawn on its line: measures go up by their logarithm. */
  readonly floor: number
}

const FACTS: Readonly<Record<FieldMeasure, MeasureFacts>> = {
  'round-trip': { by: 'lane', isLessBetter: true, floor: 1 },
  vcpu: { by: 'size', isLessBetter: false, floor: 0.1 },
  memory: { by: 'size', isLessBetter: false, floor: 0.1 },
  'iops-per-money': { by: 'offer', isLessBetter: false, floor: 0.001 },
  'pays-after': { by: 'offer', isLessBetter: true, floor: 24 },
  interruption: { by: 'lane', isLessBetter: true, floor: 1 },
  carbon: { by: 'lane', isLessBetter: true, floor: 1 },
}

export const isLessBetter = (measure: FieldMeasure): boolean => FACTS[measure].isLessBetter

export const measuredBy = (measure: FieldMeasure): MeasuredBy => FACTS[measure].by

export const leastDrawn = (measure: FieldMeasure): number => FACTS[measure].floor

/** Of `interruption`: it stays, or the provider may take it away at any time. */
export const STAYS = 1
export const TAKEN_AWAY = 2
