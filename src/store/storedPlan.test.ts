import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Machine, Plan } from '../core/machine/plan.ts'
import { planToFile } from '../files/plan/planDocument.ts'
import { readPlan } from '../files/plan/planFile.ts'
import { openDatabase, type NotchgaugeDatabase } from './database.ts'
import { loadPlan, savePlan, storeFreshPlan } from './planStore.ts'
import { sealStored } from './sealStored.ts'
import { MACHINES_A_ROW, planTables, readWholePlan } from './storedPlan.ts'
import { randomRuns } from '../core/testing/randomRuns.ts'

const demo = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!demo.ok) throw new Error('the demo is not valid')

const machine = (name: string): Machine => ({ ...demo.value.machines[0]!, name })
const planOf = (count: number): Plan => ({
  ...demo.value,
  machines: Array.from({ length: count }, (_, i) => machine(`bay-${i}`)),
})

let db: NotchgaugeDatabase
let count = 0
beforeEach(() => (db = openDatabase(`rows-${(count += 1)}`)))
afterEach(() => db.close())

/** Puts plans one after the other into the store, as edits. */
async function saveEach(plans: readonly Plan[]): Promise<void> {
  const [first, ...rest] = plans
  let { row } = await storeFreshPlan(db, first!, false)
  for (const [i, plan] of rest.entries()) {
    const base = row.revision
    const step = { seq: i + 1, label: 'edit', patches: { forward: [], inverse: [] } }
    await savePlan(db, { base, was: plans[i]!, plan, change: { kind: 'edit', step } })
    row = { ...row, revision: base + 1 }
  }
}

const whole = () => db.transaction('r', planTables(db), () => readWholePlan(db))

test('an edit of one machine writes the row that it stands in, and no other', async () => {
  const plan = planOf(5 * MACHINES_A_ROW)
  await saveEach([plan])
  const put = vi.spyOn(db.planMachines, 'bulkPut')
  const machines = plan.machines.with(MACHINES_A_ROW + 3, machine('other'))
  await saveEach([plan, { ...plan, machines }, { ...plan, machines, name: 'Renamed' }])
  expect(put.mock.calls.slice(1).map(([rows]) => rows.map(({ at }) => at))).toEqual([[1]])
  expect((await whole())?.file).toEqual(planToFile({ ...plan, machines, name: 'Renamed' }))
})

test('whatever is taken in, taken out or moved, what is read is what was saved', async () => {
  const cut = fc.tuple(fc.nat(2.5 * MACHINES_A_ROW), fc.nat(150), fc.nat(150))
  await fc.assert(
    fc.asyncProperty(fc.nat(2.5 * MACHINES_A_ROW), fc.array(cut, { maxLength: 5 }), async (first, cuts) => {
      const plans = [planOf(first)]
      for (const [i, [at, out, into]] of cuts.entries()) {
        const added = Array.from({ length: into }, (_, j) => machine(`new-${i}-${j}`))
        const last = plans.at(-1)!
        plans.push({ ...last, machines: last.machines.toSpliced(at, out, ...added) })
      }
      await saveEach(plans)
      expect((await whole())?.file).toEqual(planToFile(plans.at(-1)!))
    }),
    randomRuns(25),
  )
})

test('a plan that still lies whole opens, and lies in rows from its next edit on', async () => {
  const plan = planOf(150)
  await saveEach([plan])
  const { machineCount: _, ...row } = (await db.plan.get('current'))!
  await db.planMachines.clear()
  await db.plan.put({ ...row, file: planToFile(plan) })
  const loaded = await loadPlan(db)
  expect(loaded?.ok && loaded.value.plan).toEqual(plan)
  const next = { ...plan, machines: plan.machines.with(0, machine('first')) }
  await savePlan(db, { base: row.revision, was: plan, plan: next, change: { kind: 'welcome' } })
  expect(await db.planMachines.count()).toBe(2)
  expect((await whole())?.file).toEqual(planToFile(next))
})

test('a seal is of the plan, not of how it lies', async () => {
  await saveEach([planOf(150)])
  const { passed } = await sealStored(db)
  expect(passed).toEqual(['plan'])
  const { file } = (await whole())!
  const row = (await db.plan.get('current'))!
  await db.plan.put({ ...row, file })
  expect(await sealStored(db)).toEqual({ passed, fresh: 0 })
})
