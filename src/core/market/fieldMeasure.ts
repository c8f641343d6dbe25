/** What stands beside the cost: how far it is from the people, in milliseconds, or what a size has. */
export const FIELD_MEASURES = ['round-trip', 'vcpu', 'memory'] as const
export type FieldMeasure = (typeof FIELD_MEASURES)[number]
