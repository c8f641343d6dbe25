/** Runs steps to their end, whatever they yield on the way. */
export function finish<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
