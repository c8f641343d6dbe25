import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { expect, test, vi } from 'vitest'
import { readPlan } from '../files/plan/planFile.ts'
import { readPriceBook } from '../files/priceBook/priceBookFile.ts'
import { renamePlan } from './commands.ts'
import { openDatabase } from './database.ts'
import type * as PlanStore from './planStore.ts'
import { Session } from './session.ts'
import { CEILING } from '../core/testing/ceiling.ts'

/** How long each reading of the stored plan takes to reach the session, in turn. */
const delays: number[] = []

vi.mock('./planStore.ts', async (original) => {
  const real = await original<typeof PlanStore>()
  return {
    ...real,
    loadPlan: async (...asked: Parameters<typeof real.loadPlan>) => {
      const loaded = await real.loadPlan(...asked)
      await new Promise((resolve) => setTimeout(resolve, delays.shift() ?? 0))
      return loaded
    },
  }
})

const plan = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
const book = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
if (!plan.ok || !book.ok) throw new Error('the demo is not valid')
const demo = { plan: plan.value, books: [book.value] }

async function open(name: string): Promise<Session> {
  const session = new Session(openDatabase(name), () => Promise.resolve(demo))
  await session.open()
  return session
}
/** A busy machine takes longer than the second that is waited by itself. */
const soon = (check: () => void): Promise<void> => vi.waitFor(check, CEILING)
const saved = (session: Session) => soon(() => expect(session.settled()).toBe(true))

test('saves of another tab are taken up in their order, however long each reading takes', async () => {
  const [here, there] = [await open('order'), await open('order')]
  delays.push(300, 0)
  there.edit('first', renamePlan('First'))
  await saved(there)
  // The first is being read when the second is saved.
  await soon(() => expect(delays).toHaveLength(1))
  there.edit('second', renamePlan('Second'))
  await saved(there)
  await soon(() => expect(here.snapshot().plan.name).toBe('Second'))
  await new Promise((resolve) => setTimeout(resolve, 600))
  expect(here.snapshot().plan.name).toBe('Second')
})

test('what is changed here while another tab’s save is read stands on top of it', async () => {
  const [here, there] = [await open('both'), await open('both')]
  delays.push(200)
  there.edit('rename', renamePlan('Theirs'))
  await saved(there)
  await soon(() => expect(delays).toHaveLength(0))
  here.edit('month', (draft) => {
    draft.month = '2027-05' as typeof draft.month
    return undefined
  })
  await saved(here)
  const both = { name: 'Theirs', month: '2027-05' }
  await soon(() => expect(here.snapshot().plan).toMatchObject(both))
  await soon(() => expect(there.snapshot().plan).toMatchObject(both))
  expect((await open('both')).snapshot().plan).toMatchObject(both)
})
