/** Whoever wants to hear of something. */
export class Listeners {
  private readonly all = new Set<() => void>()

  /** Answers what takes the listener away again. */
  readonly add = (listener: () => void): (() => void) => {
    this.all.add(listener)
    return () => this.all.delete(listener)
  }

  tell(): void {
    for (const listener of this.all) listener()
  }
}
