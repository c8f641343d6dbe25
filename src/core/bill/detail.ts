/** A number of a bill’s details where it is one above zero: they are what the bill says they are. */
export const detailNumber = (value: unknown): number | undefined =>
  typeof value === 'number' && value > 0 && value <= 1e6 ? value : undefined

/** A text of a bill’s details where it says something. */
export const detailText = (value: unknown): string | undefined =>
  typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined
