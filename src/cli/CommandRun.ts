/** How a run ends where it does not end well. */
export const EXIT = { badInput: 2, overBudget: 3, severe: 4, unpriced: 5, otherThanPlanned: 6 } as const

type Exit = (typeof EXIT)[keyof typeof EXIT]

/** Ends a run at once; what is to be said has been said. */
export class RunEnded extends Error {
  constructor(readonly status: number) {
    super(`ended with status ${status}`)
  }
}

/** Where one run of a command prints to, and the status that it will end with. */
export class CommandRun {
  private exit: Exit | undefined

  constructor(
    readonly print: (text: string) => void,
    readonly complain: (text: string) => void,
  ) {}

  get status(): number {
    return this.exit ?? 0
  }

  /** The first reason to end badly stands. */
  endWith(status: Exit): void {
    this.exit ??= status
  }

  /** Says the problems, one a line, and ends with the status for bad input. */
  refuse(problems: readonly string[]): never {
    this.complain(`${problems.join('\n')}\n`)
    throw new RunEnded(EXIT.badInput)
  }
}
