/** Whoever wants to hear of something. */
export class Listeners {
  private readonly all = new Set<() => void>()

  /** Answers what takes the listener away again. */
  readonly add = (listener: () => void): (() => void) => {
    this.all.add(listener)
    return () => this.all.delete(listener)
  }

  /** Resolves once it holds; looked at now, and whenever they are told. */
  until(holds: () => boolean): Promise<void> {
    if (holds()) return Promise.resolve()
    return new Promise((resolve) => {
      const stop = this.add(() => {
        if (!holds()) return
        stop()
        resolve()
      })
    })
  }

  readonly tell = (): void => {
    for (const listener of this.all) listener()
  }
}
