import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { readFileSync } from 'node:fs'
import { readPlan } from '../files/plan/planFile.ts'
import { UnsavedPlan } from './UnsavedPlan.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value

let stored: Map<string, string>

beforeEach(() => {
  stored = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => void stored.set(key, value),
    removeItem: (key: string) => void stored.delete(key),
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
})

const keep = () => new UnsavedPlan().keep({ base: 7, changes: 2, label: 'rename, resize', plan })

test.each([
  [7, true],
  [8, true],
  // Both were saved after all, or another tab has gone on.
  [9, false],
  [12, false],
  // A store of another time.
  [3, false],
])('what two changes on revision 7 made is taken up on revision %s: %s', async (revision, expected) => {
  keep()
  const taken = await new UnsavedPlan().take(revision)
  expect(taken).toEqual(expected ? { label: 'rename, resize', plan } : undefined)
  expect(await new UnsavedPlan().take(7)).toBeUndefined()
})

test('what was saved after all is forgotten', async () => {
  const unsaved = new UnsavedPlan()
  unsaved.keep({ base: 7, changes: 1, label: 'rename', plan })
  unsaved.forget()
  expect(stored.size).toBe(0)
})

test.each(['', 'null', '{"base":7}', '{"base":7,"changes":2,"label":"x","file":{"machines":[null]}}', '[]'])(
  'what is kept as %s is not taken up',
  async (text) => {
    stored.set('notchgauge-unsaved', text)
    expect(await new UnsavedPlan().take(7)).toBeUndefined()
  },
)

test('what belongs to no store is discarded', async () => {
  keep()
  new UnsavedPlan().discard()
  expect(await new UnsavedPlan().take(7)).toBeUndefined()
})

test('a browser without room or storage keeps nothing and says nothing', async () => {
  const refuse = (): never => {
    throw new DOMException('full', 'QuotaExceededError')
  }
  vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse, removeItem: refuse })
  expect(keep).not.toThrow()
  expect(await new UnsavedPlan().take(7)).toBeUndefined()
})
