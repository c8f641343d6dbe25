import type { PriceBand } from '../catalogue/regionPrices.ts'

/** A band as a list has it: either end may be left out. */
interface ListedBand {
  readonly fromGiB?: number
  readonly upToGiB?: number
  readonly price: string
}

/** In order; each ends where the next begins, and what the last costs holds for all beyond it. O(bands × log bands). */
export function bandsInOrder(listed: readonly ListedBand[]): PriceBand[] {
  const beginOf = ({ fromGiB, upToGiB = Infinity }: ListedBand): number => fromGiB ?? upToGiB
  const sorted = [...listed].sort((a, b) => beginOf(a) - beginOf(b))
  return sorted.map(({ price, upToGiB }, i) => {
    const next = sorted[i + 1]
    const end = next && (upToGiB ?? next.fromGiB)
    return { ...(end !== undefined && { upTo: end }), price }
  })
}
