import type { BodyReader } from './BodyReader.ts'
import { allowedHosts, isAllowedHost } from './allowedHosts.ts'
import type { ServiceThreads, ThreadResult } from './ServiceThreads.ts'
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
  'The body of the request came too slowly.',
  `no pause of more than ${SERVICE_LIMITS.arriving.graceMs / 1_000} seconds, and at least ${SERVICE_LIMITS.arriving.leastBytesPerSecond / 1_024} KiB a second.`,
)
const TOO_MUCH_WORK = wholeProblem(
  408,
  'too-large',
  `The answer needs more than ${SERVICE_LIMITS.processorMs / 1_000} seconds of processor time, or ${SERVICE_LIMITS.smallProcessorMs / 1_000} for a small request.`,
  'fewer machines in one request; the command line takes its time.',
)
/** Read by nobody but the log. */
const GONE = wholeProblem(408, 'not-done', 'The sender went away.', 'to wait for the answer.')
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
  `another try after ${SERVICE_LIMITS.retryAfterSeconds} seconds.`,
)
const RETRY_AFTER = { 'retry-after': String(SERVICE_LIMITS.retryAfterSeconds) }

export interface Service {
  readonly threads: ServiceThreads
  readonly bodies: BodyReader
}

/** Everything the service says of a request to `POST /api/estimate`, or to another subject of its. */
export async function estimateService(
  request: Request,
  { threads, bodies }: Service,
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
  if (threads.isFull) return say(BUSY, RETRY_AFTER)
  const body = await bodies.read(request, SERVICE_LIMITS.bytes, request.signal)
  if (body === 'too-many') return say(BUSY, RETRY_AFTER)
  if (typeof body === 'string') return say(BODY_FAILURES[body])
  bytes = body.byteLength
  const seat = threads.admit()
  if (!seat) return say(BUSY, RETRY_AFTER)
  try {
    const isSmall = bytes <= SERVICE_LIMITS.smallBytes
    const processorMs = isSmall ? SERVICE_LIMITS.smallProcessorMs : SERVICE_LIMITS.processorMs
    const result = await threads.answer({ subject, bytes: body }, processorMs, request.signal)
    if (typeof result === 'string') return say(FAILURES[result])
    if (result.status !== 200) logRefusal({ ...said(), status: result.status })
    const type = result.status === 200 ? 'application/json' : 'application/problem+json'
    return new Response(result.body, {
      status: result.status,
      headers: { 'content-type': type, 'cache-control': 'no-store' },
    })
  } finally {
    seat.leave()
  }
}

const BODY_FAILURES = { 'too-large': TOO_LARGE, 'too-slow': TOO_SLOW, gone: GONE } as const

const FAILURES: Record<Extract<ThreadResult, string>, Answer> = {
  'too-much-work': TOO_MUCH_WORK,
  gone: GONE,
  'too-much-memory': TOO_MUCH_MEMORY,
  failed: NOT_DONE,
}
