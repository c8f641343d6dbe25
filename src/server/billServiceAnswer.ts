import { answerBill } from '../files/bill/billRequest.ts'
import { problem, type Answer } from './problem.ts'
import { requestJson } from './requestJson.ts'

/** The answer to a request about a bill: what the command line prints of it, or every problem with its place. */
export async function billServiceAnswer(text: string): Promise<Answer> {
  const json = requestJson(text, 'an object with "bill", and "plan" and "books" to compare it with.')
  if (!json.ok) return json.issues[0]
  const found = await answerBill(json.value)
  return found.ok ? { status: 200, body: found.value } : problem(422, ...found.issues)
}
