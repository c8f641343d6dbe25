import { askEstimate } from '../files/estimate/askEstimate.ts'
import { parseEstimateRequest } from '../files/estimate/estimateRequest.ts'
import { beyondBounds } from '../files/reading/jsonBounds.ts'
import { problem, wholeProblem, type Answer } from './problem.ts'

/** The answer to the body of a request: the estimate of the command line, or every problem with its place. */
export function estimateAnswer(text: string): Answer {
  const beyond = beyondBounds(text)
  if (beyond) return problem(422, beyond)
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    const what = `The request is not JSON: ${(error as Error).message}.`
    return wholeProblem(400, 'not-json', what, 'an object with "plan" and "books".')
  }
  const question = parseEstimateRequest(value)
  if (!question.ok) return problem(422, ...question.issues)
  const found = askEstimate(question.value)
  return found.ok ? { status: 200, body: found.value } : problem(422, ...found.issues)
}
