import type { Patch } from 'immer'

/** True where one change touches what the other does: the same place of the plan, or one inside the other. */
export const editsMeet = (a: readonly Patch[], b: readonly Patch[]): boolean =>
  a.some(({ path }) => b.some(({ path: other }) => isWithin(path, other) || isWithin(other, path)))

const isWithin = (inner: Patch['path'], outer: Patch['path']): boolean =>
  outer.every((step, i) => inner[i] === step)
