/** Runs steps to their end, whatever they yield on the way. */
export function finish<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The same of steps that take their time. */
export async function finishLater<Result>(steps: AsyncGenerator<unknown, Result>): Promise<Result> {
  for (;;) {
    const step = await steps.next()
    if (step.done) return step.value
  }
}
