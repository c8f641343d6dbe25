import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import * as planFile from '../files/plan/planFile.ts'
import * as bookFile from '../files/priceBook/priceBookFile.ts'
import { openDatabase, type NotchgaugeDatabase } from './database.ts'
import { loadBooks, loadPlan, storeBook, storeFreshPlan } from './planStore.ts'
import { sealStored } from './sealStored.ts'

vi.mock('../files/plan/planFile.ts', { spy: true })
vi.mock('../files/priceBook/priceBookFile.ts', { spy: true })

const read = (name: string): string => readFileSync(`data/${name}.json`, 'utf8')
const plan = planFile.readPlan(read('larkspur-trams'))
const book = bookFile.readPriceBook(read('fennmark'))

let db: NotchgaugeDatabase
let count = 0

beforeEach(async () => {
  if (!plan.ok || !book.ok) throw new Error('the demo is not valid')
  db = openDatabase(`seals-${(count += 1)}`)
  await storeBook(db, book.value)
  await storeFreshPlan(db, plan.value, false)
  vi.clearAllMocks()
})

afterEach(() => {
  vi.unstubAllGlobals()
  db.close()
})

/** How often the plan and the books were held against their schemas. */
const checks = () => [
  vi.mocked(planFile.parsePlan).mock.calls.length,
  vi.mocked(bookFile.parsePriceBook).mock.calls.length,
]

test('what was checked opens as it did, without being checked again', async () => {
  const before = [await loadPlan(db), await loadBooks(db)]
  expect(checks()).toEqual([1, 1])
  expect((await sealStored(db)).fresh).toBe(2)
  expect((await sealStored(db)).fresh).toBe(0)
  vi.clearAllMocks()
  expect([await loadPlan(db), await loadBooks(db)]).toEqual(before)
  expect(checks()).toEqual([0, 0])
})

test('what changed since is checked again, and refused where it is wrong', async () => {
  await sealStored(db)
  const row = (await db.plan.get('current'))!
  await db.plan.put({ ...row, file: { ...(row.file as object), machines: [{ name: 'no more' }] } })
  const [edition] = await db.editions.toArray()
  await db.editions.put({ ...edition!, file: { ...(edition!.file as object), currency: 'shells' } })
  expect(await loadPlan(db)).toMatchObject({ ok: false })
  expect(await loadBooks(db)).toMatchObject({ books: [], refused: ['fennmark, edition 2027-01'] })
  expect((await sealStored(db)).fresh).toBe(0)
})

test('a seal goes with what it was of', async () => {
  await sealStored(db)
  await db.editions.clear()
  await sealStored(db)
  expect((await db.seals.toArray()).map(({ of }) => of)).toEqual(['plan'])
})

test('where no digests can be made, everything is checked at each opening', async () => {
  vi.stubGlobal('crypto', {})
  expect((await sealStored(db)).fresh).toBe(0)
  expect(await loadPlan(db)).toMatchObject({ ok: true })
  expect(checks()[0]).toBeGreaterThan(0)
})

test('what is large, or was never checked, is checked elsewhere, and by the page where nobody answers', async () => {
  const checkStored = vi.fn(async () => (await sealStored(db)).passed)
  const books = await loadBooks(db, checkStored)
  expect(books.refused).toEqual([])
  expect(checkStored).toHaveBeenCalledTimes(1)
  // All is sealed now, and small.
  await loadPlan(db, checkStored)
  expect(checkStored).toHaveBeenCalledTimes(1)
  await db.seals.update('plan', { size: 10_000_000 })
  vi.clearAllMocks()
  expect(await loadPlan(db, checkStored)).toMatchObject({ ok: true })
  expect(checkStored).toHaveBeenCalledTimes(1)
  expect(checks()[0]).toBe(0)
  const silent = vi.fn(() => Promise.reject(new Error('no worker')))
  expect(await loadPlan(db, silent)).toMatchObject({ ok: true })
  expect(checks()[0]).toBe(1)
})
