import { buildSync } from 'esbuild'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { BodyReader } from './BodyReader.ts'
import { estimateService, type Service } from './estimateService.ts'
import { ServiceThreads } from './ServiceThreads.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'
import { WorkerThread } from './WorkerThread.ts'

/** The service as it is, on threads that are ten times slower by the clock and by their processor time. */

const TIMES = 10
const folder = mkdtempSync(join(tmpdir(), 'notchgauge-threads-'))
const threads: SlowThread[] = []
let service: Service

class SlowThread extends WorkerThread {
  override processorMs(): number {
    return TIMES * super.processorMs()
  }
}

beforeAll(() => {
  const real = join(folder, 'thread.cjs')
  buildSync({
    entryPoints: ['src/server/estimate.thread.ts'],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile: real,
  })
  const slowed = join(folder, 'slowed.cjs')
  writeFileSync(
    slowed,
    `const { parentPort } = require('node:worker_threads')
let since = performance.now()
const never = new Int32Array(new SharedArrayBuffer(4))
const spend = () => Atomics.wait(never, 0, 0, ${TIMES - 1} * (performance.now() - since))
const post = parentPort.postMessage.bind(parentPort)
parentPort.postMessage = (message, ...transfer) => {
  if (!('task' in message)) spend()
  post(message, ...transfer)
}
parentPort.on('message', () => { since = performance.now() })
require(${JSON.stringify(real)})`,
  )
  const slow = () => {
    const thread = new SlowThread(slowed, { maxOldGenerationSizeMb: SERVICE_LIMITS.memoryMiB })
    threads.push(thread)
    return thread
  }
  service = {
    threads: new ServiceThreads(slow, SERVICE_LIMITS),
    bodies: new BodyReader(SERVICE_LIMITS.arriving),
  }
})
afterAll(() => threads.forEach((thread) => thread.terminate()))

const read = (name: string): unknown => JSON.parse(readFileSync(join('data', name), 'utf8'))
const DEMO = 'larkspur-trams.json'
const books = readdirSync('data')
  .filter((name) => name.endsWith('.json') && name !== DEMO)
  .map(read)

const ask = (body: object) =>
  estimateService(
    new Request('http://localhost/api/estimate', {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json', host: 'localhost' },
    }),
    service,
    'estimate',
  )

test('the demo is answered, cold and warm, three at a time', async () => {
  const plan = read(DEMO)
  const answers = await Promise.all(Array.from({ length: 3 }, () => ask({ plan, books })))
  expect(answers.map(({ status }) => status)).toEqual(Array(3).fill(200))
  expect(threads).toHaveLength(2)
  const { machines } = (await answers[2]!.json()) as { machines: unknown[] }
  expect(machines).toHaveLength((plan as { machines: unknown[] }).machines.length)
})

test('a thread’s processor time is its own', async () => {
  const spent = () => threads.reduce((sum, thread) => sum + thread.processorMs(), 0)
  const before = spent()
  const end = performance.now() + 300
  while (performance.now() < end);
  expect(spent() - before).toBeLessThan(300)
  await ask({ plan: read(DEMO), books })
  expect(spent()).toBeGreaterThan(before)
})

test('a thread is ended once it has taken more than may be spent, wherever it is', async () => {
  const bytes = new TextEncoder().encode(JSON.stringify({ plan: read(DEMO), books }))
  const { signal } = new AbortController()
  expect(await service.threads.answer({ subject: 'estimate', bytes }, 1, signal)).toBe('too-much-work')
  expect((await ask({ plan: read(DEMO), books })).status).toBe(200)
})
