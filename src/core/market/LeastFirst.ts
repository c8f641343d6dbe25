/**
 * Positions of numbers, the least number first, put in order no further than they are asked for: O(numbers) to begin with,
 * and O(log numbers) for each further one. Of equal numbers the first comes first.
 */
export class LeastFirst {
  readonly length: number
  private readonly heap: Uint32Array
  private readonly ordered: number[] = []
  private left: number

  constructor(readonly bounds: Float64Array) {
    this.length = bounds.length
    this.left = bounds.length
    this.heap = Uint32Array.from(bounds.keys())
    for (let at = (this.left >> 1) - 1; at >= 0; at -= 1) this.sink(at)
  }

  /** The position of the number that has so many before it. */
  at(rank: number): number {
    while (this.ordered.length <= rank) {
      this.ordered.push(this.heap[0]!)
      this.left -= 1
      this.heap[0] = this.heap[this.left]!
      this.sink(0)
    }
    return this.ordered[rank]!
  }

  private isBefore(a: number, b: number): boolean {
    const difference = this.bounds[a]! - this.bounds[b]!
    return difference < 0 || (difference === 0 && a < b)
  }

  private sink(from: number): void {
    const { heap } = this
    const moved = heap[from]!
    let at = from
    for (;;) {
      let below = 2 * at + 1
      if (below >= this.left) break
      if (below + 1 < this.left && this.isBefore(heap[below + 1]!, heap[below]!)) below += 1
      if (!this.isBefore(heap[below]!, moved)) break
      heap[at] = heap[below]!
      at = below
    }
    heap[at] = moved
  }
}
