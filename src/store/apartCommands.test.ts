import { produce } from 'immer'
import { expect, test } from 'vitest'
import type { Plan } from '../core/machine/plan.ts'
import { inSeveralZones } from '../core/wholePlan/inSeveralZones.ts'
import { readPlan, writePlan } from '../files/plan/planFile.ts'
import { DEMO_TEXT } from '../files/testing/demoPlan.ts'
import { addApartGroup, addInZones, deleteApartGroup, setApartGroup } from './apartCommands.ts'
import type { Recipe } from './change.ts'
import { replaceMachine, setNeeds } from './commands.ts'
import { keepVariant, takeVariant } from './variantCommands.ts'

const read = readPlan(DEMO_TEXT)
if (!read.ok) throw new Error('the demo is not valid')
const demo = read.value
const [first] = demo.machines
const after = (before: Plan, ...recipes: readonly Recipe[]): Plan =>
  recipes.reduce<Plan>((plan, recipe) => produce(plan, recipe), before)
const inWeb = after(
  demo,
  addApartGroup({ name: 'web', mostInZone: 1 }),
  setNeeds(first!.name, { apart: { group: 'web' } }),
)

test('a plan with a group is read back as it was written', () => {
  const again = readPlan(writePlan(inWeb))
  expect(again.ok && again.value.apartGroups).toEqual([{ name: 'web', mostInZone: 1 }])
  expect(again.ok && again.value.machines[0]!.needs.apart).toEqual({ group: 'web' })
})

test('a file that names a group which it does not hold says where', () => {
  const { apartGroups: _, ...rest } = inWeb
  const found = readPlan(writePlan(rest))
  expect(found.ok ? [] : found.issues.map(({ code, pointer }) => `${code} ${pointer}`)).toEqual([
    'unknown-reference /machines/0/needs/apart/group',
  ])
})

test('a group keeps its machines under another name, and leaves them when it is deleted', () => {
  const renamed = after(inWeb, setApartGroup('web', { name: 'front', mostInZone: 2 }))
  expect(renamed.apartGroups).toEqual([{ name: 'front', mostInZone: 2 }])
  expect(renamed.machines[0]!.needs.apart).toEqual({ group: 'front' })
  const gone = after(renamed, deleteApartGroup('front'))
  expect(gone.apartGroups).toBeUndefined()
  expect(gone.machines).toEqual(demo.machines)
})

test('a form of a group that is gone is taken without it', () => {
  const taken = after(demo, replaceMachine(first!.name, inWeb.machines[0]!))
  expect(taken.machines[0]!.needs).toEqual(first!.needs)
  expect(after(inWeb, replaceMachine(first!.name, inWeb.machines[0]!)).machines[0]).toEqual(inWeb.machines[0])
  const kept = after(inWeb, keepVariant(first!.name), deleteApartGroup('web'), takeVariant(first!.name, 1))
  expect(kept.machines[0]!.needs).toEqual(first!.needs)
  expect(readPlan(writePlan(kept)).ok).toBe(true)
})

test('copies in other zones stand behind their machine', () => {
  const { copies, group } = inSeveralZones(first!, ['x', 'y'], demo)
  const more = after(demo, addInZones(first!.name, copies, group))
  expect(more.machines.slice(0, 3).map(({ zone }) => zone)).toEqual([first!.zone, 'x', 'y'])
  expect(new Set(more.machines.slice(0, 3).map(({ needs }) => needs.apart?.group))).toEqual(
    new Set([first!.name]),
  )
  expect(more.machines).toHaveLength(demo.machines.length + 2)
})
