import { answerMarket } from '../files/market/marketRequest.ts'
import { problem, type Answer } from './problem.ts'
import { requestJson } from './requestJson.ts'

/** The answer to a request about the market of a machine: what the command line prints, or every problem with its place. */
export function marketServiceAnswer(text: string): Answer {
  const json = requestJson(text, 'an object with "plan", "books" and "machine".')
  if (!json.ok) return json.issues[0]
  const found = answerMarket(json.value)
  return found.ok ? { status: 200, body: found.value } : problem(422, ...found.issues)
}
