import { accept, refuse, type Outcome } from '../core/outcome.ts'
import { beyondBounds } from '../files/reading/jsonBounds.ts'
import { problem, wholeProblem, type Answer } from './problem.ts'

/** The body of a request as JSON within bounds, or the answer to what is none. */
export function requestJson(text: string, expected: string): Outcome<unknown, Answer> {
  const beyond = beyondBounds(text)
  if (beyond) return refuse(problem(422, beyond))
  try {
    return accept(JSON.parse(text) as unknown)
  } catch (error) {
    const what = `The request is not JSON: ${(error as Error).message}.`
    return refuse(wholeProblem(400, 'not-json', what, expected))
  }
}
