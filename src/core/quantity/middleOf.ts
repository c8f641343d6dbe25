/** The one in the middle by size, the upper of two; undefined of none. O(n log n). */
export const middleOf = (values: readonly number[]): number | undefined =>
  values.toSorted((a, b) => a - b)[values.length >> 1]
