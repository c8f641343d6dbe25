import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { PracticeProvider } from '../../practice/PracticeProvider.ts'
import type { PracticeAnswer } from './practiceAnswer.ts'
import { PracticeClock } from './PracticeClock.ts'
import { PRACTICE_OPEN_API } from './practiceOpenApi.ts'
import { PracticeService } from './PracticeService.ts'

const MARCH = Date.parse('2027-03-01T00:00:00Z') / 1_000
const ORDER = {
  name: 'runner one',
  region: 'porto',
  zone: 'a',
  size: 'heron-2-8',
  image: 'fellside-12',
  terms: 'on-demand',
  systemDisk: { kind: 'ember', roomGiB: 64, goes: true },
  dataDisks: [],
  address: 'none',
}

function newService() {
  let wall = 0
  const clock = new PracticeClock(MARCH, 0, () => wall)
  const service = new PracticeService(new PracticeProvider(DEMO_BOOKS[0]!), clock)
  const ask = (method: string, path: string, body?: unknown, query: Record<string, string> = {}) =>
    service.answer({
      method,
      path: path.split('/').filter(Boolean).map(decodeURIComponent),
      query: new Map(Object.entries(query)),
      body: body === undefined ? '' : JSON.stringify(body),
    })
  return { ask, pass: (seconds: number) => (wall += seconds * 1_000) }
}

const said = ({ status, body }: PracticeAnswer): [number, string] => [
  status,
  (JSON.parse(body) as { detail: string }).detail,
]

describe('the practice provider’s service', () => {
  test('makes, switches and deletes machines, and bills what was', () => {
    const { ask } = newService()
    expect(ask('POST', '/machines', ORDER).status).toBe(201)
    ask('PUT', '/clock', { at: '2027-03-01T10:00:00Z' })
    const off = ask('POST', '/machines/porto/runner%20one/power', { action: 'deallocate' })
    expect(JSON.parse(off.body)).toMatchObject({ state: 'running' })
    ask('PUT', '/clock', { at: '2027-03-02T00:00:00Z' })
    expect(JSON.parse(ask('GET', '/machines').body)).toMatchObject([{ state: 'deallocated' }])
    expect(ask('DELETE', '/machines/porto/runner%20one').status).toBe(200)
    const bill = ask('GET', '/bill', undefined, { month: '2027-03', by: 'day' })
    // Ten hours and the time that going off takes.
    expect(bill.body.split('\r\n')[0]).toMatch(/^"BillingAccountId"/)
    expect(bill.body).toMatch(/10\.0\d+,"Hours"/)
    expect(
      (JSON.parse(ask('GET', '/events').body) as { action: string }[]).map(({ action }) => action),
    ).toEqual(['create', 'deallocate', 'delete for good'])
  })

  test('its clock runs as fast as it is told, and never back', () => {
    const { ask, pass } = newService()
    ask('PUT', '/clock', { speed: 3_600 })
    pass(24)
    expect(JSON.parse(ask('GET', '/clock').body)).toEqual({ at: '2027-03-02T00:00:00Z', speed: 3_600 })
    expect(said(ask('PUT', '/clock', { at: '2027-03-01T00:00:00Z' }))).toEqual([
      409,
      'The clock only goes forward.',
    ])
  })

  test.each<[string, string, unknown, number, RegExp]>([
    ['POST', '/machines', { ...ORDER, size: 'nothing' }, 422, /size "nothing"/],
    ['POST', '/machines', { ...ORDER, region: '__proto__' }, 422, /region/],
    ['POST', '/machines', { name: 1 }, 422, /name/],
    ['POST', '/machines/porto/nobody/power', { action: 'start' }, 404, /no nobody in porto/],
    ['PUT', '/clock', { at: 'tomorrow' }, 422, /"tomorrow"/],
    ['GET', '/elsewhere', undefined, 404, /no GET \/elsewhere/],
  ])('%s %s is refused in words', (method, path, body, status, detail) => {
    const answer = newService().ask(method, path, body)
    expect(answer.type).toBe('application/problem+json')
    expect(said(answer)).toEqual([status, expect.stringMatching(detail)])
  })

  test('a body that is not JSON, an action that is none, a name that is taken', () => {
    const { ask } = newService()
    ask('POST', '/machines', ORDER)
    expect(said(ask('POST', '/machines', ORDER))[0]).toBe(409)
    expect(said(ask('POST', '/machines/porto/runner%20one/power', { action: 'fly' }))[0]).toBe(422)
    expect(said(ask('POST', '/machines'))[0]).toBe(400)
  })

  test('is described, path by path', () => {
    const source = readFileSync('src/cli/practice/PracticeService.ts', 'utf8')
    const cases = [...source.matchAll(/case '(GET|POST|PUT|DELETE) ([a-z.]+)'/g)].map(([, method, name]) => [
      method!.toLowerCase(),
      name,
    ])
    expect(cases.length).toBeGreaterThan(6)
    for (const [method, name] of cases) {
      const found = Object.entries(PRACTICE_OPEN_API.paths).some(
        ([path, item]) => path.startsWith(`/${name}`) && Object.hasOwn(item, method!),
      )
      expect([method, name, found]).toEqual([method, name, true])
    }
  })
})
