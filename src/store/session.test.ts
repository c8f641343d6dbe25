import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { writePlan } from '../files/plan/planFile.ts'
import { renamePlan, replacePlan, setMachine } from './commands.ts'
import { openDatabase } from './database.ts'
import { layOpenAside } from './lastResort.ts'
import { loadPlan } from './planStore.ts'
import {
  closeSessions,
  demo,
  NAME,
  openSession,
  saved,
  sizeOf,
  takeKite,
  until,
} from './testing/openSession.ts'
import { Session } from './session.ts'
import { CEILING } from '../core/testing/ceiling.ts'

afterEach(closeSessions)

describe('a session', () => {
  test('opens the demo on a first visit, and says that it is one', async () => {
    const { session } = await openSession()
    expect(session.snapshot()).toMatchObject({ status: 'ready', welcome: true, saveProblem: undefined })
    expect(session.snapshot().plan.machines).toHaveLength(14)
  })

  test('shows an edit at once, and undoes and does it again after a reload', async () => {
    const { session, name } = await openSession()
    const before = writePlan(session.snapshot().plan)
    session.edit('smaller', takeKite)
    expect(sizeOf(session)).toBe('kite-4-16')
    await saved(session)

    const { session: again } = await openSession(name)
    expect(sizeOf(again)).toBe('kite-4-16')
    expect(again.snapshot().undoLabel).toBe('smaller')
    again.undo()
    await saved(again)
    expect(writePlan(again.snapshot().plan)).toBe(before)

    const { session: third } = await openSession(name)
    expect(third.snapshot()).toMatchObject({ undoLabel: undefined, redoLabel: 'smaller' })
    third.redo()
    await saved(third)
    expect(sizeOf(third)).toBe('kite-4-16')
  })

  test('a new edit drops what was undone', async () => {
    const { session } = await openSession()
    session.edit('smaller', takeKite)
    session.undo()
    session.edit('other', renamePlan('Another'))
    expect(session.snapshot()).toMatchObject({ undoLabel: 'other', redoLabel: undefined })
  })

  test('an edit that changes nothing leaves no step behind', async () => {
    const { session } = await openSession()
    session.edit('same', setMachine(NAME, { size: 'heron-4-16' }))
    expect(session.snapshot().undoLabel).toBeUndefined()
  })

  test('a whole imported plan is one step', async () => {
    const { session } = await openSession()
    const { plan } = session.snapshot()
    session.edit('import', replacePlan({ ...plan, name: 'Imported', machines: [] }))
    expect(session.snapshot().plan.machines).toHaveLength(0)
    session.undo()
    expect(writePlan(session.snapshot().plan)).toBe(writePlan(plan))
  })

  test('a preview is shown and neither kept nor undoable', async () => {
    const { session, db } = await openSession()
    session.preview(renamePlan('Half painted'))
    session.preview(renamePlan('Painted'))
    expect(session.snapshot()).toMatchObject({ plan: { name: 'Painted' }, undoLabel: undefined })
    session.preview(undefined)
    expect(session.snapshot().plan.name).toBe(demo().plan.name)
    const stored = await loadPlan(db)
    expect(stored?.ok && stored.value.history.edits).toHaveLength(0)
  })
})

describe('two tabs', () => {
  test('one follows the other', async () => {
    const { session: left, name } = await openSession()
    const { session: right } = await openSession(name)
    left.edit('smaller', takeKite)
    await until(right, () => sizeOf(right) === 'kite-4-16')
    right.undo()
    await until(left, () => sizeOf(left) === 'heron-4-16')
  })

  test('a price book that one replaces is used by the other', async () => {
    const { session: left, name } = await openSession()
    const { session: right } = await openSession(name)
    const [book] = left.snapshot().books
    await left.books.add({ ...book!, currency: 'CHF' })
    await until(right, ({ books }) => books[0]?.currency === 'CHF')
    await right.books.add({ ...book!, edition: 'next', valid: { from: '2028-01-01' } })
    await until(left, ({ books }) => books.length === 2)
    await left.books.remove({ ...book!, edition: 'next' })
    await until(right, ({ books }) => books.length === 1 && books[0]?.edition === book!.edition)
  })

  test('edits made at the same time are both kept', async () => {
    const { session: left, name } = await openSession()
    const { session: right, db } = await openSession(name)
    left.edit('smaller', takeKite)
    right.edit('rename', renamePlan('Both'))
    await saved(left)
    await saved(right)
    const stored = await loadPlan(db)
    const plan = stored?.ok ? stored.value.plan : undefined
    expect(plan?.name).toBe('Both')
    expect(plan?.machines.find(({ name: machine }) => machine === NAME)?.size).toBe('kite-4-16')
    await until(left, ({ plan: shown }) => shown.name === 'Both')
    await until(right, () => sizeOf(right) === 'kite-4-16')
  })
})

describe('storage that fails', () => {
  test('refused from the start: the demo opens, edits work, and it is said', async () => {
    const db = openDatabase('refused')
    vi.spyOn(db, 'open').mockRejectedValue(new Dexie.MissingAPIError('no storage'))
    const session = new Session(db, () => Promise.resolve(demo()))
    vi.spyOn(db.editions, 'toArray').mockRejectedValue(new Dexie.MissingAPIError('no storage'))
    await session.open()
    expect(session.snapshot().saveProblem).toEqual({ code: 'refused' })
    vi.spyOn(db, 'transaction').mockRejectedValue(new Dexie.MissingAPIError('no storage'))
    session.edit('smaller', takeKite)
    expect(sizeOf(session)).toBe('kite-4-16')
    await vi.waitFor(() => expect(db.transaction).toHaveBeenCalled(), CEILING)
    await vi.waitFor(() => expect(session.snapshot().saveProblem).toEqual({ code: 'refused' }), CEILING)
    expect(session.settled()).toBe(false)
  })

  test('full: what could not be saved is said, kept on screen, and saved with the next change', async () => {
    const { session, db } = await openSession()
    const put = vi.spyOn(db.plan, 'put').mockRejectedValueOnce(new DOMException('full', 'QuotaExceededError'))
    session.edit('smaller', takeKite)
    await until(session, ({ saveProblem }) => saveProblem?.code === 'full')
    expect(sizeOf(session)).toBe('kite-4-16')
    put.mockRestore()
    session.edit('rename', renamePlan('Later'))
    await until(session, ({ saveProblem }) => saveProblem === undefined)
    const stored = await loadPlan(db)
    expect(stored?.ok && stored.value.history.edits.map(({ label }) => label)).toEqual(['smaller', 'rename'])
  })

  test('a stored price book that is not valid is said, and replaced by the demo’s where it is the same', async () => {
    const { session, db, name } = await openSession()
    const [book] = session.snapshot().books
    await session.books.add({ ...book!, provider: { id: 'other', name: 'Other' } })
    const { edition } = book!
    await db.editions.put({ provider: 'other', edition, file: { format: 'notchgauge/price-book/1' } })
    await db.editions.put({ provider: 'fennmark', edition, file: 7 })
    const { session: again } = await openSession(name)
    expect(again.snapshot()).toMatchObject({ status: 'ready', refusedBooks: [`other, edition ${edition}`] })
    expect(again.snapshot().books.map(({ provider }) => provider.id)).toEqual(['fennmark'])
    await again.books.add({ ...book!, provider: { id: 'other', name: 'Other' } })
    expect(again.snapshot().refusedBooks).toEqual([])
  })

  test('a stored plan that is not valid is left as it is, and its problems are listed', async () => {
    const { session, db, name } = await openSession()
    session.close()
    const row = (await db.plan.get('current'))!
    await db.plan.put({ ...row, file: { format: 'notchgauge/plan/1', name: 7 } })
    const { session: again } = await openSession(name)
    expect(again.snapshot().status).toBe('damaged')
    expect(again.snapshot().damage[0]).toMatchObject({ pointer: '/name' })
    expect((await db.plan.get('current'))!.file).toMatchObject({ name: 7 })
    await layOpenAside(db)
    const { session: after } = await openSession(name)
    expect(after.snapshot()).toMatchObject({ status: 'ready', plan: { name: demo().plan.name } })
    // What stands there of it goes with it, its machines too.
    const { machines } = demo().plan
    expect((await db.shelf.toArray()).map(({ file }) => file)).toEqual([
      { format: 'notchgauge/plan/1', name: 7, machines },
    ])
  })
})

describe('edits of two tabs that meet', () => {
  const notices = (session: Session) => session.snapshot().notices

  /** Two tabs of one plan, the second of which has not heard of the first one's edit yet. */
  async function twoTabs(first: (session: Session) => void, second: (session: Session) => void) {
    const one = await openSession()
    const two = await openSession(one.name)
    first(one.session)
    second(two.session)
    await saved(one.session)
    await saved(two.session)
    return { one: one.session, two: two.session }
  }

  test('say so: one stands, and undo brings the other back', async () => {
    const { one, two } = await twoTabs(
      (tab) => tab.edit('call it A', renamePlan('A')),
      (tab) => tab.edit('call it B', renamePlan('B')),
    )
    const [said] = [...notices(one), ...notices(two)]
    expect(said).toMatchObject({ code: 'changed-twice', theirs: expect.stringMatching(/^call it [AB]$/) })
    const { name } = two.snapshot().plan
    await until(one, ({ plan }) => plan.name === name)
    two.undo()
    await saved(two)
    expect(two.snapshot().plan.name).toBe(name === 'A' ? 'B' : 'A')
  })

  test('are silent where they touch different things', async () => {
    const { one, two } = await twoTabs(
      (tab) => tab.edit('call it A', renamePlan('A')),
      (tab) => tab.edit('kite', takeKite),
    )
    await until(one, ({ plan }) => plan.name === 'A' && sizeOf(one) === 'kite-4-16')
    expect([...notices(one), ...notices(two)]).toEqual([])
  })
})
