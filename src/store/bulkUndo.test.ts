import { afterEach, expect, test, vi } from 'vitest'
import * as planFile from '../files/plan/planFile.ts'
import { replaceMachines } from './commands.ts'
import { closeSessions, demo, openSession, saved } from './testing/openSession.ts'
import { replaceOpenPlan } from './openPlan.ts'

vi.mock('../files/plan/planFile.ts', { spy: true })

afterEach(closeSessions)

const machinesOf = (count: number) => {
  const [first] = demo().plan.machines
  return Array.from({ length: count }, (_, i) => ({
    ...first!,
    name: `bay-${i}`,
    off: 'deallocated' as const,
  }))
}
const stopped = replaceMachines(machinesOf(1_000).map((machine) => ({ ...machine, off: 'stopped' as const })))

/** How many machines were held against the schema since it was last asked. */
const checked = (): number => {
  const calls = vi.mocked(planFile.parsePlan).mock.calls
  const count = calls.reduce((sum, [file]) => sum + (file as { machines: unknown[] }).machines.length, 0)
  vi.mocked(planFile.parsePlan).mockClear()
  return count
}

/** A session with a thousand machines, all of which were changed at once. */
async function changed() {
  const { session, db, name } = await openSession()
  replaceOpenPlan(session, 'many', { ...demo().plan, machines: machinesOf(1_000) })
  session.edit('stop all', stopped)
  await saved(session)
  checked()
  return { session, db, name }
}

test('undo of a change that this page made checks nothing of the plan', async () => {
  const { session } = await changed()
  session.undo()
  expect(session.snapshot().plan.machines.every(({ off }) => off === 'deallocated')).toBe(true)
  session.redo()
  await saved(session)
  expect(session.snapshot().plan.machines.every(({ off }) => off === 'stopped')).toBe(true)
  expect(checked()).toBe(0)
})

test('undo after a reload checks what the step touches, there and back', async () => {
  const { session: before, name } = await changed()
  const one = before.snapshot().plan.machines[7]!
  before.edit('start one', replaceMachines([{ ...one, off: 'running' }]))
  await saved(before)
  const { session } = await openSession(name)
  checked()
  session.undo()
  await saved(session)
  expect(session.snapshot().plan.machines[7]!.off).toBe('stopped')
  // The step itself, and those that are read with it: all machines stopped, and all brought in.
  expect(checked()).toBeLessThanOrEqual(2 * (1 + 1_000 + 1_000 + 14))
})

test('a change of one field of all machines is stored as one patch', async () => {
  const { db } = await changed()
  const edit = (await db.edits.toArray()).at(-1)!
  expect(edit.forward).toHaveLength(1)
  expect(edit.inverse).toHaveLength(1)
  expect(JSON.stringify(edit).length).toBeLessThan(12_000)
})

test('a change of very many stands at once, and is drawn in a task of its own; a small one is drawn at once', async () => {
  const { session } = await changed()
  const drawn = vi.fn()
  session.subscribe(drawn)
  session.edit('stop none', replaceMachines(machinesOf(1_000)))
  expect(session.snapshot().plan.machines[0]!.off).toBe('deallocated')
  expect(drawn).not.toHaveBeenCalled()
  await expect.poll(() => drawn.mock.calls.length).toBe(1)
  session.edit('stop one', replaceMachines([{ ...machinesOf(1)[0]!, off: 'stopped' }]))
  expect(drawn).toHaveBeenCalledTimes(2)
})
