import type { SessionState } from './sessionState.ts'
import { storageProblem } from './storageProblem.ts'

type StepKind = 'undo' | 'redo'

/** Steps back and on that wait, one after the other, for what they change to be read from the store. */
export class StepQueue {
  private waiting: Promise<void> | undefined

  constructor(
    private readonly take: (kind: StepKind) => Promise<void>,
    private readonly show: (part: Partial<SessionState>) => void,
    private readonly onEmpty: () => void,
  ) {}

  isEmpty(): boolean {
    return this.waiting === undefined
  }

  add(kind: StepKind): void {
    const waiting = (this.waiting ?? Promise.resolve())
      .then(() => this.take(kind))
      .catch((error: unknown) => this.show({ saveProblem: storageProblem(error) }))
      .finally(() => {
        if (this.waiting !== waiting) return
        this.waiting = undefined
        this.onEmpty()
      })
    this.waiting = waiting
  }
}
