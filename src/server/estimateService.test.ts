import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { allowedHosts, isAllowedHost } from './allowedHosts.ts'
import { describeService } from './describeService.ts'
import { estimateService } from './estimateService.ts'
import { ServiceThreads, type Thread, type ThreadAnswer } from './ServiceThreads.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'

/** A thread that answers when it is told to. */
class HeldThread implements Thread {
  static readonly all: HeldThread[] = []
  asked = 0
  terminated = false
  private listeners = new Map<string, (value: never) => void>()
  constructor() {
    HeldThread.all.push(this)
  }
  postMessage(): void {
    this.asked += 1
  }
  terminate(): Promise<void> {
    this.terminated = true
    return Promise.resolve()
  }
  on(event: string, listener: (value: never) => void): void {
    this.listeners.set(event, listener)
  }
  removeAllListeners(event: string): void {
    this.listeners.delete(event)
  }
  answer(status: ThreadAnswer['status'] = 200): void {
    this.listeners.get('message')?.({ status, body: new TextEncoder().encode('{}') } as never)
  }
  fail(code?: string): void {
    this.listeners.get('error')?.(Object.assign(new Error('broken'), { code }) as never)
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

const open = () => new ServiceThreads(() => new HeldThread(), SERVICE_LIMITS)
const requestOf = (init: RequestInit & { duplex?: 'half' } = {}, host = 'localhost:4310') =>
  new Request('http://localhost/api/estimate', {
    method: 'POST',
    body: '{}',
    ...init,
    headers: { 'content-type': 'application/json', host, ...(init.headers as Record<string, string>) },
  })
const ask = (threads: ServiceThreads, init?: RequestInit & { duplex?: 'half' }, host = 'localhost:4310') =>
  estimateService(requestOf(init, host), threads)
const settled = () => new Promise((resolve) => setTimeout(resolve, 20))
const problemOf = async (response: Response) => {
  expect(response.headers.get('content-type')).toBe('application/problem+json')
  const body = (await response.json()) as { status: number; title: string; problems: { code: string }[] }
  expect([body.status, typeof body.title]).toEqual([response.status, 'string'])
  return [response.status, body.problems[0]!.code]
}

test('an answer of a thread is the service’s, and its thread is used again', async () => {
  const threads = open()
  for (let i = 0; i < 3; i += 1) {
    const answer = ask(threads)
    await settled()
    HeldThread.all[0]!.answer(i === 2 ? 422 : 200)
    const { status, headers } = await answer
    expect([status, headers.get('content-type')]).toEqual(
      i === 2 ? [422, 'application/problem+json'] : [200, 'application/json'],
    )
  }
  expect(HeldThread.all.map(({ asked }) => asked)).toEqual([3])
})

test('two are worked on, eight wait, and more are sent away before they are read', async () => {
  const threads = open()
  const answers = Array.from({ length: 10 }, () => ask(threads))
  const unread = requestOf()
  const refused = await estimateService(unread, threads)
  expect([unread.bodyUsed, refused.headers.get('retry-after')]).toEqual([false, '9'])
  expect(await problemOf(refused)).toEqual([503, 'too-many'])
  await settled()
  expect(HeldThread.all).toHaveLength(2)
  for (let i = 0; i < 5; i += 1) {
    for (const thread of HeldThread.all) thread.answer()
    await settled()
  }
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual(Array(10).fill(200))
  expect(HeldThread.all.map(({ asked }) => asked)).toEqual([5, 5])
  const after = ask(threads)
  await settled()
  HeldThread.all[1]!.answer()
  expect((await after).status).toBe(200)
})

test('what is worked on for too long is ended with its thread, and the next one has a new thread', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const threads = open()
  const slow = ask(threads)
  await vi.advanceTimersByTimeAsync(SERVICE_LIMITS.smallMs)
  expect(await problemOf(await slow)).toEqual([408, 'too-large'])
  expect(HeldThread.all[0]!.terminated).toBe(true)
  const next = ask(threads)
  await vi.advanceTimersByTimeAsync(20)
  HeldThread.all[1]!.answer()
  expect((await next).status).toBe(200)
})

test('who waits for longer than a request may take is sent away, and nobody waits for that one', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const threads = open()
  const large = { body: ' '.repeat(SERVICE_LIMITS.smallBytes + 1) }
  const answers = Array.from({ length: 10 }, () => ask(threads, large))
  await vi.advanceTimersByTimeAsync(SERVICE_LIMITS.longestMs)
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual(Array(10).fill(408))
  expect(HeldThread.all.every(({ terminated }) => terminated)).toBe(true)
})

test('a sender that goes away gives its place back, working or waiting', async () => {
  const threads = open()
  const gone = new AbortController()
  const answers = Array.from({ length: 10 }, () => ask(threads, { signal: gone.signal }))
  await settled()
  gone.abort()
  expect((await Promise.all(answers)).map(({ status }) => status)).toEqual(Array(10).fill(408))
  expect(HeldThread.all.map(({ terminated }) => terminated)).toEqual([true, true])
  const next = ask(threads)
  await settled()
  HeldThread.all[2]!.answer()
  expect((await next).status).toBe(200)
})

test('a body that never ends is given up with the request', async () => {
  const gone = new AbortController()
  const body = new ReadableStream({ pull: () => new Promise<void>(() => undefined) })
  const answer = ask(open(), { body, duplex: 'half', signal: gone.signal })
  await settled()
  gone.abort()
  expect((await answer).status).toBe(408)
  expect(HeldThread.all).toEqual([])
})

test.each([
  ['ERR_WORKER_OUT_OF_MEMORY', [413, 'too-large']],
  [undefined, [500, 'not-done']],
])('a thread that ends with %s is a problem of its own', async (code, expected) => {
  const answer = ask(open())
  await settled()
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
  const asked = (method: string, host: string) =>
    describeService(new Request('http://localhost/api/openapi.json', { method, headers: { host } }))
  expect((await asked('GET', 'localhost').json()) as object).toHaveProperty('openapi')
  expect(await problemOf(asked('DELETE', 'localhost'))).toEqual([405, 'other-method'])
  expect(await problemOf(asked('GET', 'evil.example'))).toEqual([421, 'other-host'])
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
