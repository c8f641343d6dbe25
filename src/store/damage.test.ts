import 'fake-indexeddb/auto'
import { strFromU8, unzipSync } from 'fflate'
import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, test } from 'vitest'
import { readPlan } from '../files/plan/planFile.ts'
import { readPriceBook } from '../files/priceBook/priceBookFile.ts'
import { renamePlan } from './commands.ts'
import { openDatabase, type NotchgaugeDatabase } from './database.ts'
import {
  layOpenAside,
  openShelved,
  rawRecords,
  shelvedPlans,
  storedBooks,
  takeBackLast,
  takeOutBook,
} from './lastResort.ts'
import { Session } from './session.ts'

const plan = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
const book = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
if (!plan.ok || !book.ok) throw new Error('the demo is not valid')
const demo = { plan: plan.value, books: [book.value] }

const opened: { session: Session; db: NotchgaugeDatabase }[] = []
let count = 0

async function open(name = `damage-${(count += 1)}`) {
  const db = openDatabase(name)
  const session = new Session(db, () => Promise.resolve(demo))
  await session.open()
  opened.push({ session, db })
  return { session, db, name }
}

afterEach(() => {
  for (const { session, db } of opened.splice(0)) {
    session.close()
    db.close()
  }
})

/** A store with three edits, the last undone, a plan on the shelf and a book. */
async function worn() {
  const { session, db, name } = await open()
  for (const title of ['One', 'Two', 'Three']) session.edit(`rename to ${title}`, renamePlan(title))
  session.undo()
  await session.shelf.put({ ...demo.plan, id: 'spare', name: 'Spare' })
  await expect.poll(() => session.settled()).toBe(true)
  session.close()
  return { db, name }
}

type Row = Record<string, unknown>
type Damage = (db: NotchgaugeDatabase) => Promise<unknown>

const ofPlan =
  (part: (row: Row) => Row): Damage =>
  async (db) =>
    db.table('plan').put(part((await db.table<Row>('plan').get('current'))!))
const ofFile = (part: (file: Row) => unknown): Damage =>
  ofPlan((row) => ({ ...row, file: part(row.file as Row) }))
const ofBook =
  (part: (row: Row) => Row): Damage =>
  async (db) => {
    const [row] = (await db.table<Row>('editions').toArray()) as [Row]
    await db.table('editions').put(part(row))
  }
const ofEdit =
  (seq: number, part: (row: Row) => Row): Damage =>
  async (db) =>
    db.table('edits').put(part((await db.table<Row>('edits').get(seq))!))

const loop: Row = {}
loop.self = loop

const KINDS: readonly (readonly [string, 'ready' | 'damaged', Damage])[] = [
  ['a plan without a file', 'damaged', ofPlan(({ file: _, ...row }) => row)],
  ['a file that is null', 'damaged', ofFile(() => null)],
  ['a file that is text', 'damaged', ofFile(() => 'plan')],
  ['a file that is a list', 'damaged', ofFile(() => [])],
  ['a file that is a map of the platform', 'damaged', ofFile((file) => new Map(Object.entries(file)))],
  ['a file that holds itself', 'damaged', ofFile((file) => ({ ...file, loop }))],
  ['a format of tomorrow', 'damaged', ofFile((file) => ({ ...file, format: 'notchgauge/plan/9' }))],
  ['a format of another kind', 'damaged', ofFile((file) => ({ ...file, format: 'notchgauge/price-book/1' }))],
  ['no format', 'damaged', ofFile(({ format: _, ...file }) => file)],
  ['machines that are null', 'damaged', ofFile((file) => ({ ...file, machines: [null, null] }))],
  ['machines that are a number', 'damaged', ofFile((file) => ({ ...file, machines: 7 }))],
  ['no machines', 'damaged', (db) => db.planMachines.clear()],
  ['a machine too many', 'damaged', ofPlan((row) => ({ ...row, machineCount: 13 }))],
  ['as many machines as it likes', 'damaged', ofPlan((row) => ({ ...row, machineCount: 'all' }))],
  ['no count of machines', 'damaged', ofPlan(({ machineCount: _, ...row }) => row)],
  [
    'machines in a row that are text',
    'damaged',
    (db) => db.table('planMachines').put({ at: 0, machines: 'all' }),
  ],
  ['a row of machines that is none', 'damaged', (db) => db.table('planMachines').put({ at: 1 })],
  ['no weeks', 'damaged', ofFile((file) => ({ ...file, weeks: [] }))],
  ['a week that is undefined', 'damaged', ofFile((file) => ({ ...file, weeks: [undefined] }))],
  ['numbers that are none', 'damaged', ofFile((file) => ({ ...file, taxPercent: Number.NaN }))],
  ['large whole numbers', 'damaged', ofFile((file) => ({ ...file, month: 10n ** 40n }))],
  ['six thousand machines', 'damaged', ofFile((file) => ({ ...file, machines: Array(6_000).fill({}) }))],
  ['fields of another program', 'damaged', ofFile((file) => ({ ...file, constructor: { prototype: 1 } }))],
  ['a revision that is text', 'ready', ofPlan((row) => ({ ...row, revision: 'new' }))],
  ['a revision below zero', 'ready', ofPlan((row) => ({ ...row, revision: -4 }))],
  ['no cursor', 'ready', ofPlan(({ cursor: _, ...row }) => row)],
  ['a cursor beyond all steps', 'ready', ofPlan((row) => ({ ...row, cursor: 1e9 }))],
  ['a welcome that is null', 'ready', ofPlan((row) => ({ ...row, welcome: null }))],
  ['no plan at all', 'ready', (db) => db.plan.clear()],
  ['a step without patches', 'ready', ofEdit(2, ({ inverse: _, ...row }) => row)],
  ['a step whose patches are text', 'ready', ofEdit(1, (row) => ({ ...row, inverse: 'all' }))],
  [
    'a step into what every object inherits',
    'ready',
    ofEdit(2, (row) => ({ ...row, inverse: [{ op: 'replace', path: ['__proto__', 'x'], value: 1 }] })),
  ],
  [
    'a step to a place that is not there',
    'ready',
    ofEdit(2, (row) => ({ ...row, inverse: [{ op: 'replace', path: ['machines', 999, 'off'], value: 1 }] })),
  ],
  [
    'a step that would break the plan',
    'ready',
    ofEdit(2, (row) => ({ ...row, inverse: [{ op: 'replace', path: ['machines'], value: 4 }] })),
  ],
  ['a missing step', 'ready', (db) => db.edits.delete(2)],
  ['a book that is null', 'ready', ofBook((row) => ({ ...row, file: null }))],
  ['a book without sizes', 'ready', ofBook((row) => ({ ...row, file: { ...(row.file as Row), sizes: [] } }))],
  [
    'a book with a figure for a price',
    'ready',
    ofBook((row) => ({ ...row, file: { ...(row.file as Row), prices: { porto: 4 } } })),
  ],
  [
    'seals that fit nothing',
    'ready',
    (db) =>
      db.table('seals').bulkPut([
        { of: 'plan', seal: 7 },
        { of: 'book x', seal: null },
      ]),
  ],
]

describe.each(KINDS)('%s', (_, status, damage) => {
  test('is opened or said, never loses a record, and has a way out', async () => {
    const { db, name } = await worn()
    await damage(db)
    const before = await Promise.all(db.tables.map((table) => table.toArray()))
    const { session } = await open(name)
    const { status: found, damage: said, saveProblem, refusedBooks } = session.snapshot()
    expect([found, saveProblem]).toEqual([status, undefined])
    const words = JSON.stringify([said, refusedBooks, session.snapshot().notices])
    expect(words).not.toMatch(/TypeError|undefined is|is not a function|Cannot read/)
    expect(said.length > 0).toBe(status === 'damaged')
    // What could not be opened lies as it lay.
    if (status === 'damaged')
      expect(await Promise.all(db.tables.map((table) => table.toArray()))).toEqual(before)
    for (let step = 0; step < 4; step += 1) session.undo()
    for (let step = 0; step < 4; step += 1) session.redo()
    await expect.poll(() => session.settled()).toBe(true)
    session.close()

    const zip = unzipSync(await rawRecords(db))
    const rows = await Promise.all(db.tables.map((table) => table.count()))
    const isOpen = (await db.plan.count()) > 0
    expect('plan.json' in zip).toBe(isOpen)
    expect(Object.keys(zip)).toHaveLength(rows.reduce((sum, each) => sum + each, isOpen ? 1 : 0))
    for (const file of Object.values(zip)) expect(() => JSON.parse(strFromU8(file)) as unknown).not.toThrow()

    await takeBackLast(db)
    expect(
      await openShelved(
        db,
        (await shelvedPlans(db)).find(({ name: each }) => each === 'Spare')!,
      ),
    ).toBe(true)
    for (const each of await storedBooks(db)) await takeOutBook(db, each)
    const { session: other } = await open(name)
    expect(other.snapshot()).toMatchObject({ status: 'ready', plan: { name: 'Spare' } })
    other.close()
    await layOpenAside(db)
    const { session: last } = await open(name)
    expect(last.snapshot()).toMatchObject({
      status: 'ready',
      plan: { name: demo.plan.name },
      refusedBooks: [],
    })
  })
})

test('a damaged step is said and skipped, and later steps stay', async () => {
  const { db, name } = await worn()
  await ofEdit(2, (row) => ({ ...row, inverse: [{ op: 'replace', path: ['machines'], value: 4 }] }))(db)
  const { session } = await open(name)
  expect(session.snapshot()).toMatchObject({ undoLabel: 'rename to Two', redoLabel: 'rename to Three' })
  session.undo()
  await expect.poll(() => session.settled()).toBe(true)
  expect(session.snapshot()).toMatchObject({
    plan: { name: 'Two' },
    undoLabel: undefined,
    redoLabel: 'rename to Three',
    notices: [{ code: 'step-damaged', side: 'before' }],
  })
  session.close()
  const { session: again } = await open(name)
  expect(again.snapshot()).toMatchObject({
    undoLabel: undefined,
    redoLabel: 'rename to Three',
    notices: [],
  })
  again.redo()
  await expect.poll(() => again.settled()).toBe(true)
  expect(again.snapshot().plan.name).toBe('Three')
})

test('a step that is not one is left out with those beyond it, and said', async () => {
  const { db, name } = await worn()
  await ofEdit(1, (row) => ({ ...row, label: 4 }))(db)
  const { session } = await open(name)
  expect(session.snapshot().notices).toEqual([{ code: 'stored-steps-lost', count: 1 }])
  session.undo()
  await expect.poll(() => session.settled()).toBe(true)
  expect(session.snapshot()).toMatchObject({ plan: { name: 'One' }, undoLabel: undefined })
})

test('the last edit is taken back in the store alone', async () => {
  const { db, name } = await worn()
  expect(await takeBackLast(db)).toBe(true)
  expect(await takeBackLast(db)).toBe(true)
  expect(await takeBackLast(db)).toBe(false)
  const { session } = await open(name)
  expect(session.snapshot()).toMatchObject({ plan: { name: demo.plan.name }, redoLabel: 'rename to One' })
})

test('an older state of the damaged plan on the shelf is opened, and the damaged one lies there in its place', async () => {
  const { db, name } = await worn()
  await ofFile((file) => ({ ...file, id: 'spare', machines: 7 }))(db)
  expect(await openShelved(db, (await shelvedPlans(db))[0]!)).toBe(true)
  expect((await db.shelf.toArray()).map(({ file }) => (file as Row).machines)).toEqual([7])
  const { session } = await open(name)
  expect(session.snapshot()).toMatchObject({ status: 'ready', plan: { name: 'Spare' } })
})
