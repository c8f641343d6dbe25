import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { renamePlan } from './commands.ts'
import { openDatabase, SCHEMA_STEPS } from './database.ts'
import { loadPlan } from './planStore.ts'
import { closeSessions, demo, openSession, saved, sizeOf, takeKite } from './testing/openSession.ts'
import type { Session } from './session.ts'
import { openPlan, replaceOpenPlan } from './openPlan.ts'
import { CEILING } from '../core/testing/ceiling.ts'

afterEach(closeSessions)

test('as many steps can be taken back before a reload as after it', async () => {
  const { session, name } = await openSession()
  for (let i = 0; i < 310; i += 1) session.edit(`rename ${i}`, renamePlan(`Plan ${i}`))
  await saved(session)
  const { session: again } = await openSession(name)
  const steps = async (of: Session): Promise<number> => {
    let count = 0
    for (let label = of.snapshot().undoLabel; label !== undefined; label = of.snapshot().undoLabel) {
      of.undo()
      await vi.waitFor(() => expect(of.snapshot().undoLabel).not.toBe(label), { ...CEILING, interval: 1 })
      count += 1
    }
    return count
  }
  expect(again.earlier().length).toBe(session.earlier().length)
  expect(again.snapshot().undoLabel).toBe('rename 309')
  again.close()
  expect(await steps(session)).toBe(300)
  expect(session.snapshot().plan.name).toBe('Plan 9')
})

describe('several plans', () => {
  const other = (name: string) => ({ ...demo().plan, name, machines: demo().plan.machines.slice(0, 2) })

  test('nothing is said of the demo once another plan is open', async () => {
    const { session, name } = await openSession()
    session.edit('kite', takeKite)
    expect(session.snapshot().welcome).toBe(true)
    replaceOpenPlan(session, 'import', other('Mine'))
    expect(session.snapshot().welcome).toBe(false)
    await saved(session)
    expect((await openSession(name)).session.snapshot()).toMatchObject({
      welcome: false,
      plan: { name: 'Mine' },
    })
  })

  test('the open one is laid aside, and comes back as it was', async () => {
    const { session, name } = await openSession()
    session.edit('kite', takeKite)
    await openPlan(session, other('Spare'))
    await saved(session)
    expect(session.snapshot().plan).toMatchObject({ name: 'Spare', machines: [{}, {}] })
    const [kept] = await session.shelf.list()
    expect(kept).toMatchObject({ name: demo().plan.name, machines: 14, archived: false })
    const reloaded = (await openSession(name)).session
    expect(reloaded.snapshot().plan.name).toBe('Spare')
    const back = await reloaded.shelf.get(kept!.id)
    await openPlan(reloaded, back?.ok ? back.value : other('none'))
    expect(sizeOf(reloaded)).toBe('kite-4-16')
    reloaded.undo()
    expect(reloaded.snapshot().plan.name).toBe('Spare')
  })

  test('are archived and deleted, and a full storage leaves the open one open', async () => {
    const { session, db } = await openSession()
    await openPlan(session, other('Spare'))
    const [kept] = await session.shelf.list()
    await session.shelf.archive(kept!.id, true)
    expect((await session.shelf.list())[0]!.archived).toBe(true)
    await session.shelf.delete(kept!.id)
    expect(await session.shelf.list()).toEqual([])
    expect(await session.shelf.get(kept!.id)).toBeUndefined()
    vi.spyOn(db.shelf, 'put').mockRejectedValueOnce(new DOMException('full', 'QuotaExceededError'))
    await openPlan(session, other('Third'))
    expect(session.snapshot().plan.name).toBe('Spare')
    expect(session.snapshot()).toMatchObject({ saveProblem: { code: 'full' }, staysOpen: true })
  })

  test('one that lies on the shelf is kept there as it is when another takes its place', async () => {
    const { session } = await openSession()
    await openPlan(session, other('Spare'))
    session.edit('call it Mine', renamePlan('Mine'))
    replaceOpenPlan(session, 'start anew', { ...other('Anew'), machines: [] })
    await saved(session)
    expect(session.snapshot().plan.name).toBe('Anew')
    await vi.waitFor(
      async () =>
        expect((await session.shelf.list()).map(({ name }) => name)).toEqual([demo().plan.name, 'Mine']),
      CEILING,
    )
    session.undo()
    expect(session.snapshot().plan.name).toBe('Mine')
  })

  test('earlier states of the open one can be looked at', async () => {
    const { session } = await openSession()
    session.edit('A', renamePlan('A'))
    session.edit('B', renamePlan('B'))
    await saved(session)
    const [last, first] = session.earlier()
    expect([last?.label, first?.label]).toEqual(['B', 'A'])
    expect((await session.planBefore(last!))?.name).toBe('A')
    expect((await session.planBefore(first!))?.name).toBe(demo().plan.name)
    expect(session.snapshot().plan.name).toBe('B')
  })
})

describe('the tables', () => {
  test('versions only grow, and each step but the first can change what is stored', () => {
    SCHEMA_STEPS.forEach(({ version }, i) => expect(version).toBe(i + 1))
  })

  test('a database of an older version is opened and its rows are carried over', async () => {
    const { session, db } = await openSession('older')
    session.edit('smaller', takeKite)
    await saved(session)
    session.close()
    db.close()

    const newer = openDatabase('older', [
      ...SCHEMA_STEPS,
      {
        version: SCHEMA_STEPS.length + 1,
        stores: { notes: 'id' },
        upgrade: async (transaction) => {
          await transaction.table('plan').toCollection().modify({ welcome: false })
        },
      },
    ])
    const loaded = await loadPlan(newer)
    expect(loaded?.ok && loaded.value).toMatchObject({ welcome: false, history: { cursor: 1 } })
    expect(loaded?.ok && loaded.value.history.edits[0]?.label).toBe('smaller')
    expect(newer.tables.map(({ name }) => name)).toContain('notes')
    newer.close()
  })

  test('price books of the first version, one a provider, become editions', async () => {
    const [book] = demo().books
    const old = openDatabase('first-version', SCHEMA_STEPS.slice(0, 1))
    await old.table('books').put({ provider: 'fennmark', file: { ...book! } })
    old.close()
    const { session, db } = await openSession('first-version')
    expect(session.snapshot().books.map(({ edition }) => edition)).toEqual([book!.edition])
    expect(db.tables.map(({ name }) => name).sort()).toEqual([
      'billRecipes',
      'editions',
      'edits',
      'lists',
      'monthBills',
      'plan',
      'planMachines',
      'recipes',
      'seals',
      'shelf',
      'ties',
    ])
  })
})
