import { roundToUnits, unitsToDecimal } from './decimal.ts'
import { add, ZERO, type Exact } from './exact.ts'

interface RoundedParts {
  readonly parts: readonly string[]
  readonly total: string
}

/**
 * The one rule by which exact amounts become decimals that are read: the total is rounded half away from zero, and each
 * part is the step between the running sums rounded the same way. So the parts shown always add up to the total
 * shown, and no part is off by a whole unit. Differences from an amount that is shown too are counted from it: then the
 * total is what lies between the two as they are shown.
 */
export function roundParts(amounts: readonly Exact[], decimals: number, from: Exact = ZERO): RoundedParts {
  let sum = from
  const before = roundToUnits(from, decimals)
  let given = before
  const parts = amounts.map((amount) => {
    sum = add(sum, amount)
    const due = roundToUnits(sum, decimals)
    const part = due - given
    given = due
    return unitsToDecimal(part, decimals)
  })
  return { parts, total: unitsToDecimal(given - before, decimals) }
}
