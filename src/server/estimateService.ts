import { allowedHosts, isAllowedHost } from './allowedHosts.ts'
import type { ServiceThreads, ThreadResult } from './ServiceThreads.ts'
import { limitedBody } from './limitedBody.ts'
import { NOT_DONE, OTHER_HOST, problemResponse, wholeProblem, type Answer } from './problem.ts'
import { logRefusal } from './refusalLog.ts'
import type { ServiceSubject } from './serviceAnswer.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'

const MIB = 1024 * 1024

const TOO_LARGE = wholeProblem(
  413,
  'too-large',
  'The request is too large.',
  `at most ${SERVICE_LIMITS.bytes / MIB} MiB; the command line takes more.`,
)
const TOO_SLOW = wholeProblem(
  408,
  'too-large',
  `The request was not answered within ${SERVICE_LIMITS.longestMs / 1_000} seconds, or ${SERVICE_LIMITS.smallMs / 1_000} for a small one.`,
  'fewer machines in one request; the command line takes its time.',
)
const TOO_MUCH_MEMORY = wholeProblem(
  413,
  'too-large',
  `The answer needs more than ${SERVICE_LIMITS.memoryMiB} MiB of memory.`,
  'fewer machines, smaller price books or a shorter bill in one request; the command line takes more.',
)
const NOT_MARKED = wholeProblem(
  415,
  'not-json',
  'The request is not marked as JSON.',
  'the header "content-type: application/json".',
)
const BUSY = wholeProblem(
  503,
  'too-many',
  'The service has as many requests as it takes at a time.',
  `another try after ${SERVICE_LIMITS.longestMs / 1_000} seconds.`,
)
const RETRY_AFTER = String(SERVICE_LIMITS.longestMs / 1_000)

/** Everything the service says of a request to `POST /api/estimate`, or to another subject of its. */
export async function estimateService(
  request: Request,
  threads: ServiceThreads,
  subject: ServiceSubject = 'estimate',
  hosts = allowedHosts(process.env.HOSTS),
): Promise<Response> {
  const began = Date.now()
  let bytes = 0
  const said = () => ({ method: request.method, path: `/api/${subject}`, bytes, ms: Date.now() - began })
  const say = (answer: Answer, headers?: Record<string, string>): Response =>
    problemResponse(answer, said(), headers)
  if (!isAllowedHost(request.headers.get('host'), hosts)) return say(OTHER_HOST)
  if (request.method !== 'POST') {
    const answer = wholeProblem(
      405,
      'other-method',
      'The service takes POST only.',
      subject === 'bill' ? 'POST with a bill.' : 'POST with a plan and books.',
    )
    return say(answer, { allow: 'POST, OPTIONS' })
  }
  if (!/^application\/json\s*(;|$)/i.test(request.headers.get('content-type') ?? '')) return say(NOT_MARKED)
  const seat = threads.admit()
  if (!seat) return say(BUSY, { 'retry-after': RETRY_AFTER })
  const patience = new AbortController()
  const end = (): void => patience.abort()
  const timer = setTimeout(end, SERVICE_LIMITS.longestMs)
  request.signal.addEventListener('abort', end, { once: true })
  try {
    const { signal } = patience
    const body = await limitedBody(request, SERVICE_LIMITS.bytes, signal)
    if (typeof body === 'string') return say(body === 'too-large' ? TOO_LARGE : TOO_SLOW)
    bytes = body.byteLength
    const mostMs = bytes <= SERVICE_LIMITS.smallBytes ? SERVICE_LIMITS.smallMs : SERVICE_LIMITS.longestMs
    const result = await threads.answer({ subject, bytes: body }, mostMs, signal)
    if (typeof result === 'string') return say(FAILURES[result])
    if (result.status !== 200) logRefusal({ ...said(), status: result.status })
    const type = result.status === 200 ? 'application/json' : 'application/problem+json'
    return new Response(result.body, {
      status: result.status,
      headers: { 'content-type': type, 'cache-control': 'no-store' },
    })
  } finally {
    clearTimeout(timer)
    request.signal.removeEventListener('abort', end)
    seat.leave()
  }
}

const FAILURES: Record<Extract<ThreadResult, string>, Answer> = {
  'too-slow': TOO_SLOW,
  'too-much-memory': TOO_MUCH_MEMORY,
  failed: NOT_DONE,
}
