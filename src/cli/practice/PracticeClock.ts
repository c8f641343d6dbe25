/** A clock that is set, stepped, or runs by itself a number of times faster than the one on the wall. */
export class PracticeClock {
  private setAt: number
  private at: number
  private times: number

  /** `at` in seconds since 1970; `speed` 0 stands still; `wall` tells milliseconds. */
  constructor(
    at: number,
    speed: number,
    private readonly wall: () => number,
  ) {
    this.at = at
    this.times = speed
    this.setAt = wall()
  }

  now(): number {
    return this.at + Math.floor(((this.wall() - this.setAt) / 1_000) * this.times)
  }

  get speed(): number {
    return this.times
  }

  /** Goes on from there at that speed. */
  set(at: number, speed = this.times): void {
    this.at = at
    this.times = speed
    this.setAt = this.wall()
  }
}
