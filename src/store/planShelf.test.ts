import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test } from 'vitest'
import type { Plan } from '../core/machine/plan.ts'
import { OFFICE_WEEK } from '../core/testing/resolved.ts'
import { SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { openDatabase, type NotchgaugeDatabase } from './database.ts'
import { PlanShelf } from './planShelf.ts'

const plan = (id: string, name: string, machines = 1): Plan & { id: string } => ({
  id,
  name,
  month: '2027-03' as Plan['month'],
  weeks: [OFFICE_WEEK],
  providers: [{ id: SMALL_MACHINE.provider }],
  machines: Array.from({ length: machines }, (_, i) => ({ ...SMALL_MACHINE, name: `m${i}` })),
})

let db: NotchgaugeDatabase
let shelf: PlanShelf
let count = 0

beforeEach(() => {
  db = openDatabase(`shelf-${(count += 1)}`)
  shelf = new PlanShelf(db)
})
afterEach(() => db.close())

test('plans lie there by name, each with how many machines it has, and come back as they were', async () => {
  await shelf.put(plan('b', 'Winter', 3))
  await shelf.put(plan('a', 'Autumn'))
  expect(await shelf.list()).toEqual([
    { id: 'a', name: 'Autumn', machines: 1, archived: false },
    { id: 'b', name: 'Winter', machines: 3, archived: false },
  ])
  expect(await shelf.get('b')).toEqual({ ok: true, value: plan('b', 'Winter', 3) })
  expect(await shelf.get('c')).toBeUndefined()
})

test('one that is laid there again gives way to its newer self, and stays archived', async () => {
  await shelf.put(plan('a', 'Autumn'))
  await shelf.archive('a', true)
  await shelf.put(plan('a', 'Late autumn', 2))
  expect(await shelf.list()).toEqual([{ id: 'a', name: 'Late autumn', machines: 2, archived: true }])
  await shelf.archive('a', false)
  await shelf.delete('a')
  expect(await shelf.list()).toEqual([])
})

test('a plan that no longer passes is not opened, and is not lost', async () => {
  await shelf.put(plan('a', 'Autumn'))
  const row = (await db.shelf.get('a'))!
  await db.shelf.put({ ...row, file: { name: 'no plan' } })
  expect(await shelf.get('a')).toMatchObject({ ok: false, issues: [{ code: 'other-kind' }] })
  expect(await shelf.raw('a')).toEqual({ name: 'no plan' })
  await db.shelf.put({ ...row, file: { ...(row.file as object), format: 'notchgauge/plan/9' } })
  expect(await shelf.get('a')).toMatchObject({ ok: false, issues: [{ code: 'newer-version' }] })
  expect(await shelf.list()).toHaveLength(1)
})

test('more than two hundred are refused with a sentence, and those there stay', async () => {
  await db.shelf.bulkPut(
    Array.from({ length: 200 }, (_, i) => ({
      id: `p${i}`,
      name: `Plan ${i}`,
      machines: 0,
      archived: false,
      file: {},
    })),
  )
  await expect(shelf.put(plan('one-more', 'One more'))).rejects.toMatchObject({
    problem: { code: 'too-many-plans', most: 200 },
  })
  await shelf.put(plan('p7', 'Plan 7 again'))
  expect(await shelf.list()).toHaveLength(200)
})
