import { afterEach, expect, test, vi } from 'vitest'
import { BodyReader } from './BodyReader.ts'

const LIMITS = { bodies: 3, sharedBytes: 100, ownBytes: 10, graceMs: 1_000, leastBytesPerSecond: 20 }
const MOST = 1_000

afterEach(() => {
  vi.useRealTimers()
})

const turn = () => new Promise((resolve) => setImmediate(resolve))

/** A request whose body comes as it is sent. */
function sending() {
  let controller!: ReadableStreamDefaultController<Uint8Array>
  const body = new ReadableStream<Uint8Array>({ start: (its) => void (controller = its) })
  const init = { method: 'POST', body, duplex: 'half' }
  return {
    request: new Request('http://localhost/', init),
    send: (bytes: number) => controller.enqueue(new Uint8Array(bytes).fill(7)),
    end: () => controller.close(),
  }
}
const stays = new AbortController().signal

test('what was sent is put together in its order', async () => {
  const reader = new BodyReader(LIMITS)
  const request = new Request('http://localhost/', { method: 'POST', body: 'ärger' })
  expect(new TextDecoder().decode((await reader.read(request, MOST, stays)) as Uint8Array)).toBe('ärger')
  const { request: slow, send, end } = sending()
  const read = reader.read(slow, MOST, stays)
  send(3)
  send(4)
  end()
  expect(await read).toEqual(new Uint8Array(7).fill(7))
})

test('a sender that keeps to the least rate may take as long as it likes; one that does not is given up', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const reader = new BodyReader(LIMITS)
  const steady = sending()
  const idle = sending()
  const reads = [reader.read(steady.request, MOST, stays), reader.read(idle.request, MOST, stays)]
  await vi.advanceTimersByTimeAsync(LIMITS.graceMs - 1)
  let ended = 0
  for (const read of reads) void read.then(() => (ended += 1))
  for (let second = 0; second < 30; second += 1) {
    steady.send(LIMITS.leastBytesPerSecond / 10)
    await turn()
    await vi.advanceTimersByTimeAsync(100)
  }
  expect([ended, await reads[1]]).toEqual([1, 'too-slow'])
  await vi.advanceTimersByTimeAsync(LIMITS.graceMs)
  expect(await reads[0]).toBe('too-slow')
})

test('so many bodies come at a time, and one more when one of them has ended', async () => {
  const reader = new BodyReader(LIMITS)
  const bodies = Array.from({ length: 4 }, sending)
  const reads = bodies.map(({ request }) => reader.read(request, MOST, stays))
  expect(await reads[3]).toBe('too-many')
  bodies[0]!.end()
  await reads[0]
  const next = sending()
  next.end()
  expect(await reader.read(next.request, MOST, stays)).toEqual(new Uint8Array())
})

test('all together hold so many bytes; what is small always comes, and what was given up counts no more', async () => {
  const reader = new BodyReader(LIMITS)
  for (let round = 0; round < 3; round += 1) {
    const [first, second, small] = [sending(), sending(), sending()]
    const reads = [first, second, small].map(({ request }) => reader.read(request, MOST, stays))
    first.send(LIMITS.ownBytes + 60)
    await turn()
    second.send(LIMITS.ownBytes + 41)
    expect(await reads[1]).toBe('too-many')
    small.send(LIMITS.ownBytes)
    small.end()
    expect(await reads[2]).toHaveLength(LIMITS.ownBytes)
    first.send(40)
    first.end()
    expect(await reads[0]).toHaveLength(LIMITS.ownBytes + 100)
  }
})

test('a body that is too large, or whose sender goes away, is read no further', async () => {
  const reader = new BodyReader({ ...LIMITS, sharedBytes: 10_000 })
  for (let round = 0; round < LIMITS.bodies + 1; round += 1) {
    const large = sending()
    const read = reader.read(large.request, MOST, stays)
    large.send(MOST)
    large.send(1)
    expect(await read).toBe('too-large')
    const gone = new AbortController()
    const waits = reader.read(sending().request, MOST, gone.signal)
    gone.abort()
    expect(await waits).toBe('gone')
  }
})
