/**
 * The `most` least of the numbers that come by: a heap with the greatest on top, so that what is greater is refused by
 * one comparison. O(log most) for what is taken, eight bytes each.
 */
export class LeastNumbers {
  private readonly heap: Float64Array
  private filled = 0

  constructor(private readonly most: number) {
    this.heap = new Float64Array(most)
  }

  /** Above this nothing is taken any more; Infinity while there is room. */
  get limit(): number {
    return this.filled < this.most ? Infinity : this.heap[0]!
  }

  take(value: number): void {
    if (this.filled < this.most) this.rise(value)
    else if (value < this.heap[0]!) this.sink(value)
  }

  private rise(value: number): void {
    let at = this.filled
    this.filled += 1
    while (at > 0) {
      const above = (at - 1) >> 1
      if (this.heap[above]! >= value) break
      this.heap[at] = this.heap[above]!
      at = above
    }
    this.heap[at] = value
  }

  private sink(value: number): void {
    let at = 0
    for (;;) {
      let below = 2 * at + 1
      if (below >= this.filled) break
      if (below + 1 < this.filled && this.heap[below + 1]! > this.heap[below]!) below += 1
      if (this.heap[below]! <= value) break
      this.heap[at] = this.heap[below]!
      at = below
    }
    this.heap[at] = value
  }
}
