import { expect, test } from '@playwright/test'
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { request as rawRequest } from 'node:http'
import { connect } from 'node:net'

/** The service over HTTP: what leaves it, what it refuses, and how it stands many heavy requests at a time. */

const read = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(`data/${name}.json`, 'utf8')) as Record<string, unknown>
const BOOKS = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07'].map(read)

/** A request that the service takes and that is long to answer: many machines, each on a week of its own. */
function heavyRequest(): string {
  const plan = read('larkspur-trams') as { machines: object[]; weeks: object[] }
  const week = plan.weeks[0]!
  const weeks = Array.from({ length: 50 }, (_, i) => ({
    ...week,
    id: `w${i}`,
    windows: {
      mon: Array.from({ length: 40 }, (_, j) => ({ from: at(j * 30 + (i % 20)), to: at(j * 30 + 21) })),
    },
    exceptions: Array.from({ length: 100 }, (_, j) => ({ from: day(j * 3), does: 'off', name: `${i} ${j}` })),
  }))
  const machines = Array.from({ length: 150 }, (_, i) => ({
    ...plan.machines[i % plan.machines.length],
    name: `m${i}`,
    week: `w${i % 50}`,
  }))
  return JSON.stringify({ plan: { ...plan, weeks: [...plan.weeks, ...weeks], machines }, books: BOOKS })
}

const two = (value: number): string => String(value).padStart(2, '0')
const at = (minute: number): string => `${two(Math.floor(minute / 60))}:${two(minute % 60)}`
const day = (count: number): string => new Date(Date.UTC(2027, 0, 1 + count)).toISOString().slice(0, 10)

/** A server of the test's own, since others would be sent away meanwhile. */
async function ownServer(
  port: number,
): Promise<{ readonly url: string; readonly pid: number; readonly stop: () => void }> {
  const args = ['node_modules/next/dist/bin/next', 'start', '--hostname', '127.0.0.1', '--port', String(port)]
  const server = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'ignore'] })
  await new Promise<void>((resolve, reject) => {
    server.stdout.on('data', (data) => String(data).includes('Ready') && resolve())
    server.on('exit', () => reject(new Error('the server ended')))
  })
  return { url: `http://127.0.0.1:${port}`, pid: server.pid!, stop: () => server.kill() }
}

/** Bytes of memory that a process has, of its threads too. */
const residentBytes = (pid: number): number =>
  Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) * 1_024

/** With any `Host` and method, which browsers and their like do not allow. */
const raw = (baseURL: string, method: string, path: string, host: string) =>
  new Promise<{ status: number; headers: Record<string, unknown> }>((resolve, reject) => {
    const { hostname, port } = new URL(baseURL)
    const sent = rawRequest({ hostname, port, path, method, headers: { host } }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers }))
    })
    sent.on('error', reject)
    sent.end()
  })

test('fifty heavy requests at a time leave the pages and the service standing', async () => {
  const { url, pid, stop } = await ownServer(4_391)
  try {
    await heavyAt(url, pid)
  } finally {
    stop()
  }
})

async function heavyAt(url: string, pid: number): Promise<void> {
  const body = heavyRequest()
  const send = async () => {
    const answer = await fetch(`${url}/api/estimate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    })
    await answer.arrayBuffer()
    return answer
  }
  let isOver = false
  const heavy = Promise.all(Array.from({ length: 50 }, send)).finally(() => (isOver = true))
  let pages = 0
  let most = 0
  while (!isOver) {
    const page = await fetch(`${url}/`)
    expect(page.status).toBe(200)
    await page.text()
    // Answered while heavy requests were under way; how often, a busy machine decides.
    if (!isOver) pages += 1
    most = Math.max(most, residentBytes(pid))
  }
  const answers = await heavy
  test.info().annotations.push({
    type: 'figures',
    description: `${(body.length / 1e6).toFixed(1)} MB; ${pages} pages; ${Math.round(most / 1e6)} MB`,
  })
  const statuses = answers.map(({ status }) => status)
  const busy = statuses.filter((status) => status === 503)
  expect(statuses.filter((status) => ![200, 503].includes(status))).toEqual([])
  expect(busy.length).toBeGreaterThan(0)
  expect(busy.length).toBeLessThan(statuses.length)
  for (const answer of answers.filter(({ status }) => status !== 200)) {
    expect(answer.headers.get('content-type')).toBe('application/problem+json')
    expect(answer.headers.get('retry-after')).toBe(answer.status === 503 ? '10' : null)
  }
  expect(pages).toBeGreaterThan(0)
  const after = await fetch(`${url}/api/estimate`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ plan: read('larkspur-trams'), books: BOOKS }),
  })
  expect(after.status).toBe(200)
  // Ten bodies at most, and two heaps of 512 MiB.
  expect(most).toBeLessThan(1.6e9)
}

test('senders that take their time hold up nobody', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL!)
  const head = `POST /api/estimate HTTP/1.1\r\nhost: ${hostname}\r\ncontent-type: application/json\r\ncontent-length: 9000\r\n\r\n{`
  const slow = Array.from({ length: 12 }, () => connect(Number(port), hostname))
  try {
    await Promise.all(slow.map((socket) => new Promise((sent) => socket.write(head, sent))))
    const answer = await fetch(`${baseURL}/api/estimate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ plan: read('larkspur-trams'), books: BOOKS }),
    })
    expect(answer.status).toBe(200)
    expect(slow.map((socket) => socket.readyState)).toEqual(Array(12).fill('open'))
  } finally {
    for (const socket of slow) socket.destroy()
  }
})

test('a body of 16 MiB is taken, and a larger one is refused', async ({ baseURL }) => {
  const padded = (bytes: number): string => {
    const text = JSON.stringify({ plan: read('larkspur-trams'), books: BOOKS })
    return `${text}${' '.repeat(bytes - Buffer.byteLength(text))}`
  }
  const post = (body: string) =>
    fetch(`${baseURL}/api/estimate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    })
  expect((await post(padded(16 * 1024 * 1024))).status).toBe(200)
  expect((await post(padded(16 * 1024 * 1024 + 1))).status).toBe(413)
})

test('each path has its methods and host names, and every answer its safe headers', async ({ baseURL }) => {
  const host = new URL(baseURL!).host
  const found = await Promise.all(
    [
      ['GET', '/api/estimate'],
      ['DELETE', '/api/estimate'],
      ['POST', '/api/openapi.json'],
      ['OPTIONS', '/api/estimate'],
    ].map(async ([method, path]) => {
      const { status, headers } = await raw(baseURL!, method!, path!, host)
      return [status, headers.allow]
    }),
  )
  expect(found).toEqual([
    [405, 'POST, OPTIONS'],
    [405, 'POST, OPTIONS'],
    [405, 'GET, HEAD, OPTIONS'],
    [204, 'POST, OPTIONS'],
  ])
  for (const path of ['/', '/api/openapi.json', '/api/estimate', '/?view=gauge']) {
    expect((await raw(baseURL!, 'GET', path, 'evil.example')).status).toBe(421)
  }
  for (const path of ['/', '/api/openapi.json', '/api/estimate', '/icon.svg', '/nowhere']) {
    const { headers } = await raw(baseURL!, 'GET', path, host)
    expect([path, headers['x-content-type-options'], headers['cross-origin-opener-policy']]).toEqual([
      path,
      'nosniff',
      'same-origin',
    ])
    expect([headers['cross-origin-resource-policy'], headers['permissions-policy']]).toEqual([
      'same-origin',
      expect.stringContaining('camera=()'),
    ])
  }
})
