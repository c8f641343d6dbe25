import { compare, negate, sign, type Exact } from '../quantity/exact.ts'

/** Less than this is what is left of digits that were cut off, on either side. */
const DUST: Exact = { n: 1n, d: 1_000_000n }

/** Without its sign. */
export const size = (amount: Exact): Exact => (sign(amount) < 0 ? negate(amount) : amount)

export const isDust = (amount: Exact): boolean => compare(size(amount), DUST) < 0
