import { askEstimate } from '../files/estimate/askEstimate.ts'
import { parseEstimateRequest } from '../files/estimate/estimateRequest.ts'
import { problem, type Answer } from './problem.ts'
import { requestJson } from './requestJson.ts'

/** The answer to the body of a request: the estimate of the command line, or every problem with its place. */
export function estimateAnswer(text: string): Answer {
  const json = requestJson(text, 'an object with "plan" and "books".')
  if (!json.ok) return json.issues[0]
  const question = parseEstimateRequest(json.value)
  if (!question.ok) return problem(422, ...question.issues)
  const found = askEstimate(question.value)
  return found.ok ? { status: 200, body: found.value } : problem(422, ...found.issues)
}
