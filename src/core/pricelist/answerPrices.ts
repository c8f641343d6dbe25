import type { ListCollector, PriceFound } from './ListCollector.ts'
import type { PriceAnswer } from './listMapping.ts'

/**
 * Puts in what a person said of prices, and answers which of them were settled by it. An answer to a price that the list
 * no longer has settles nothing, so that it is asked anew. O(answers).
 */
export function answerPrices(found: ListCollector, answers: readonly PriceAnswer[]): ReadonlySet<PriceFound> {
  const settled = new Set<PriceFound>()
  for (const { size, place, listed, is, price } of answers) {
    const prices = found.sizes.get(size)?.prices
    const before = prices?.get(place)
    if (!prices || before?.price !== listed) continue
    if (is === 'left-out') prices.delete(place)
    else if (is === 'right' || price === undefined) settled.add(before)
    else {
      const mended = { ...before, price }
      prices.set(place, mended)
      settled.add(mended)
    }
  }
  return settled
}

/** Adds an answer, in place of one that was given before. */
export const withAnswer = (answers: readonly PriceAnswer[], answer: PriceAnswer): PriceAnswer[] => [
  ...answers.filter(({ size, place }) => size !== answer.size || place !== answer.place),
  answer,
]
