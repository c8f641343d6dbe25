import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { allowedHosts, isAllowedHost } from './allowedHosts.ts'
import { BodyReader } from './BodyReader.ts'
import { describeService } from './describeService.ts'
import { estimateService, type Service } from './estimateService.ts'
import { ServiceThreads, type Thread, type ThreadAnswer } from './ServiceThreads.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'

/** A thread that answers when it is told to. */
class HeldThread implements Thread {
  static readonly all: HeldThread[] = []
  asked = 0
  processor = 0
  terminated = false
  private settle: ((answer: ThreadAnswer) => void) | undefined
  private reject: ((error: Error) => void) | undefined
  constructor() {
    HeldThread.all.push(this)
  }
  ask(): Promise<ThreadAnswer> {
    this.asked += 1
    return new Promise((resolve, reject) => Object.assign(this, { settle: resolve, reject }))
  }
  processorMs(): number {
    return this.processor
  }
  terminate(): void {
    this.terminated = true
  }
  answer(status: ThreadAnswer['status'] = 200): void {
    this.settle?.({ status, body: new TextEncoder().encode('{}') })
  }
  fail(code?: string): void {
    this.reject?.(Object.assign(new Error('broken'), { code }))
  }
}

let log: ReturnType<typeof vi.spyOn>

beforeEach(() => {
  HeldThread.all.length = 0
  log = vi.spyOn(console, 'error').mockImplementation(() => undefined)
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

const open = () => ({
  threads: new ServiceThreads(() => new HeldThread(), SERVICE_LIMITS),
  bodies: new BodyReader(SERVICE_LIMITS.arriving),
})
const fakeClock = () =>
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval'] })
/** So many threads have been asked so often in all. */
const asked = async (times: number) => {
  while (HeldThread.all.reduce((sum, thread) => sum + thread.asked, 0) < times) await turn()
}
const requestOf = (init: RequestInit & { duplex?: 'half' } = {}, host = 'localhost:4310') =>
  new Request('http://localhost/api/estimate', {
    method: 'POST',
    body: '{}',
    ...init,
    headers: { 'content-type': 'application/json', host, ...(init.headers as Record<string, string>) },
  })
const ask = (service: Service, init?: RequestInit & { duplex?: 'half' }, host = 'localhost:4310') =>
  estimateService(requestOf(init, host), service)
/** Everything that is due has happened. */
const turn = () => new Promise((resolve) => setImmediate(resolve))
const problemOf = async (response: Response) => {
  expect(response.headers.get('content-type')).toBe('application/problem+json')
  const body = (await response.json()) as { status: number; title: string; problems: { code: string }[] }
  expect([body.status, typeof body.title]).toEqual([response.status, 'string'])
  return [response.status, body.problems[0]!.code]
}

test('an answer of a thread is the service’s, and its thread is used again', async () => {
  const service = open()
  for (let i = 0; i < 3; i += 1) {
    const answer = ask(service)
    await asked(i + 1)
    HeldThread.all[0]!.answer(i === 2 ? 422 : 200)
    const { status, headers } = await answer
    expect([status, headers.get('content-type')]).toEqual(
      i === 2 ? [422, 'application/problem+json'] : [200, 'application/json'],
    )
  }
  expect(HeldThread.all.map((thread) => thread.asked)).toEqual([3])
})

test('two are worked on, eight wait, and more are sent away before they are read', async () => {
  const service = open()
  const answers = Array.from({ length: 10 }, () => ask(service))
  while (!service.threads.isFull) await turn()
  const unread = requestOf()
  const refused = await estimateService(unread, service)
  expect([unread.bodyUsed, refused.headers.get('retry-after')]).toEqual([false, '10'])
  expect(await problemOf(refused)).toEqual([503, 'too-many'])
  for (let i = 0; i < 5; i += 1) {
    await asked(2 * (i + 1))
    for (const thread of HeldThread.all) thread.answer()
  }
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual(Array(10).fill(200))
  expect(HeldThread.all.map((thread) => thread.asked)).toEqual([5, 5])
})

test('a thread may take its time by the clock, but not of the processor', async () => {
  fakeClock()
  const service = open()
  const large = { body: ' '.repeat(SERVICE_LIMITS.smallBytes + 1) }
  const answers = [ask(service), ask(service, large)]
  await asked(2)
  const [small, heavy] = HeldThread.all as [HeldThread, HeldThread]
  await vi.advanceTimersByTimeAsync(3_600_000)
  small.processor = heavy.processor = SERVICE_LIMITS.processorMs + 1
  await vi.advanceTimersByTimeAsync(1_000)
  expect([small.terminated, heavy.terminated]).toEqual([false, true])
  expect(await problemOf(await answers[1]!)).toEqual([408, 'too-large'])
  small.processor = SERVICE_LIMITS.smallProcessorMs + 1
  await vi.advanceTimersByTimeAsync(1_000)
  expect(await problemOf(await answers[0]!)).toEqual([408, 'too-large'])
  const next = ask(service)
  await asked(3)
  HeldThread.all[2]!.answer()
  expect((await next).status).toBe(200)
})

test('a sender that goes away gives its seat back; its thread may finish, and is kept', async () => {
  const service = open()
  const gone = new AbortController()
  const answers = Array.from({ length: 10 }, () => ask(service, { signal: gone.signal }))
  while (!service.threads.isFull) await turn()
  gone.abort()
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual(Array(10).fill(408))
  const next = ask(service)
  await turn()
  expect(HeldThread.all.map(({ asked: times, terminated }) => [times, terminated])).toEqual([
    [1, false],
    [1, false],
  ])
  HeldThread.all[1]!.answer()
  await asked(3)
  HeldThread.all[1]!.answer()
  expect((await next).status).toBe(200)
})

test('work that nobody waits for is ended after half a minute, and others have its place', async () => {
  fakeClock()
  const service = open()
  const gone = new AbortController()
  const answers = Array.from({ length: 2 }, () => ask(service, { signal: gone.signal }))
  await asked(2)
  gone.abort()
  await Promise.all(answers)
  const next = ask(service)
  await vi.advanceTimersByTimeAsync(SERVICE_LIMITS.abandonedMs - 1)
  expect(HeldThread.all.map(({ terminated }) => terminated)).toEqual([false, false])
  await vi.advanceTimersByTimeAsync(1)
  expect(HeldThread.all.map(({ terminated }) => terminated)).toEqual([true, true, false])
  HeldThread.all[2]!.answer()
  expect((await next).status).toBe(200)
})

test.each([
  ['ERR_WORKER_OUT_OF_MEMORY', [413, 'too-large']],
  [undefined, [500, 'not-done']],
])('a thread that ends with %s is a problem of its own', async (code, expected) => {
  const answer = ask(open())
  await asked(1)
  HeldThread.all[0]!.fail(code)
  expect(await problemOf(await answer)).toEqual(expected)
})

test.each<[string, RequestInit & { duplex?: 'half' }, string, (number | string)[]]>([
  ['another method', { method: 'PUT' }, 'localhost', [405, 'other-method']],
  ['another kind', { headers: { 'content-type': 'text/plain' } }, 'localhost', [415, 'not-json']],
  ['another host', {}, 'evil.example', [421, 'other-host']],
  ['a large body', { body: 'x'.repeat(SERVICE_LIMITS.bytes + 1) }, '127.0.0.1:80', [413, 'too-large']],
  [
    'a body that says it is large',
    { headers: { 'content-length': String(SERVICE_LIMITS.bytes + 1) } },
    '[::1]:4310',
    [413, 'too-large'],
  ],
])('%s is refused, and logged in a line without contents', async (_, init, host, expected) => {
  const response = await ask(open(), init, host)
  expect(response.headers.get('allow')).toBe(expected[0] === 405 ? 'POST, OPTIONS' : null)
  expect(await problemOf(response)).toEqual(expected)
  const line = JSON.parse(log.mock.calls[0]![0] as string) as object
  expect(line).toMatchObject({ event: 'refused', path: '/api/estimate', status: expected[0] })
  expect(Object.keys(line).toSorted()).toEqual(['bytes', 'event', 'method', 'ms', 'path', 'status', 'time'])
})

test('the description is read with GET, by names that are allowed', async () => {
  const get = (method: string, host: string) =>
    describeService(new Request('http://localhost/api/openapi.json', { method, headers: { host } }))
  expect((await get('GET', 'localhost').json()) as object).toHaveProperty('openapi')
  expect(await problemOf(get('DELETE', 'localhost'))).toEqual([405, 'other-method'])
  expect(await problemOf(get('GET', 'evil.example'))).toEqual([421, 'other-host'])
})

test.each<[string | null, boolean]>([
  ['localhost', true],
  ['LOCALHOST.:4310', true],
  ['[::1]', true],
  ['prices.depot.example:443', true],
  ['depot.example', false],
  ['localhost.evil.example', false],
  ['localhost@evil.example', false],
  ['', false],
  [null, false],
])('the host %s is allowed: %s', (header, expected) => {
  expect(isAllowedHost(header, allowedHosts(' prices.depot.example , '))).toBe(expected)
})
