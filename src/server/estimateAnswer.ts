import { askEstimate } from '../files/estimate/askEstimate.ts'
import { MOST_REQUEST_BYTES, parseEstimateRequest } from '../files/estimate/estimateRequest.ts'
import type { FileIssue } from '../files/fileIssue.ts'

/** An estimate takes milliseconds; one that takes so long is given up. */
export const LONGEST_SECONDS = 10

interface Answer {
  readonly status: 200 | 400 | 408 | 413 | 415 | 422
  readonly body: object
}

class TooSlow extends Error {}

const problem = (status: Answer['status'], ...issues: readonly FileIssue[]): Answer => ({
  status,
  body: { problems: issues.map(({ code, pointer, problem: what, expected }) => ({ code, pointer, problem: what, expected })) }, // prettier-ignore
})

/** What `POST /api/estimate` answers: the estimate of the command line, or every problem with its place. */
export async function estimateAnswer(request: Request, now: () => number = Date.now): Promise<Answer> {
  if (!/^application\/json\s*(;|$)/i.test(request.headers.get('content-type') ?? '')) {
    return problem(415, {
      code: 'not-json',
      pointer: '',
      problem: 'The request is not marked as JSON.',
      expected: 'the header "content-type: application/json".',
    })
  }
  const text = await limitedText(request)
  if (text === undefined) {
    return problem(413, {
      code: 'too-large',
      pointer: '',
      problem: 'The request is too large.',
      expected: `at most ${MOST_REQUEST_BYTES / (1024 * 1024)} MiB; the command line takes more.`,
    })
  }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return problem(400, {
      code: 'not-json',
      pointer: '',
      problem: `The request is not JSON: ${(error as Error).message}.`,
      expected: 'an object with "plan" and "books".',
    })
  }
  const question = parseEstimateRequest(value)
  if (!question.ok) return problem(422, ...question.issues)
  const ends = now() + LONGEST_SECONDS * 1_000
  try {
    const found = askEstimate(question.value, () => {
      if (now() > ends) throw new TooSlow()
    })
    return found.ok ? { status: 200, body: found.value } : problem(422, ...found.issues)
  } catch (error) {
    if (!(error instanceof TooSlow)) throw error
    return problem(408, {
      code: 'too-large',
      pointer: '/plan/machines',
      problem: `The estimate took more than ${LONGEST_SECONDS} seconds.`,
      expected: 'fewer machines in one request; the command line takes its time.',
    })
  }
}

/** The body as text, read no further than the limit; undefined where it is larger. */
async function limitedText(request: Request): Promise<string | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_REQUEST_BYTES) return undefined
  const reader = request.body?.getReader()
  if (!reader) return ''
  const decoder = new TextDecoder()
  let text = ''
  let bytes = 0
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return text + decoder.decode()
    bytes += value.byteLength
    if (bytes > MOST_REQUEST_BYTES) {
      await reader.cancel()
      return undefined
    }
    text += decoder.decode(value, { stream: true })
  }
}
