import { describe, expect, test } from 'vitest'
import type { Plan } from '../../core/machine/plan.ts'
import { DEMO_TEXT } from '../testing/demoPlan.ts'
import { passesAsChanged } from './checkChange.ts'
import { parsePlan, readPlan } from './planFile.ts'
import { planToFile } from './planDocument.ts'

const read = readPlan(DEMO_TEXT)
if (!read.ok) throw new Error('the demo is not valid')
const demo = read.value
const [first, ...others] = demo.machines

const wholePasses = (plan: Plan): boolean => {
  try {
    return parsePlan(planToFile(plan)).ok
  } catch {
    return false
  }
}

const CHANGES: [string, Partial<Record<keyof Plan, unknown>>][] = [
  ['nothing', {}],
  ['a name', { name: 'Other' }],
  ['a name that is none', { name: 7 }],
  ['a machine', { machines: [{ ...first, off: 'running' }, ...others] }],
  ['a machine in a state that there is not', { machines: [{ ...first, off: 'asleep' }, ...others] }],
  ['two machines of one name', { machines: [{ ...first, name: others[0]!.name }, ...others] }],
  ['one machine twice', { machines: [...demo.machines, first] }],
  ['a machine of no week', { machines: [{ ...first, week: 'never' }, ...others] }],
  ['no machines', { machines: [] }],
  ['machines that are text', { machines: 'all' }],
  ['a machine that is a number', { machines: [4, ...others] }],
  ['weeks that machines go by and that are gone', { weeks: demo.weeks.slice(0, 1) }],
  ['a week of another name', { weeks: demo.weeks.map((week) => ({ ...week, name: 'Other' })) }],
  ['two weeks of one id', { weeks: [...demo.weeks, demo.weeks[0]] }],
  ['a group', { apartGroups: [{ name: 'web', mostInZone: 1 }] }],
  ['two groups of one name', { apartGroups: [{ name: 'web' }, { name: 'web' }] }],
  ['a group that holds none', { apartGroups: [{ name: 'web', mostInZone: 0 }] }],
  [
    'a machine of a group that there is not',
    { machines: [{ ...first, needs: { ...first!.needs, apart: { group: 'web' } } }, ...others] },
  ],
  ['a month that there is not', { month: '2027-13' }],
  ['a field that there is not', { colour: 'red' } as Partial<Record<keyof Plan, unknown>>],
]

describe('a change is judged by what it touches as the whole plan would be', () => {
  test.each(CHANGES)('%s', (_, part) => {
    const after = { ...demo, ...part } as Plan
    let passes = false
    try {
      passes = passesAsChanged(demo, after)
    } catch {
      // No plan at all.
    }
    expect(passes).toBe(wholePasses(after))
  })
})

test('a group that is gone is missed by its machines', () => {
  const needs = { ...first!.needs, apart: { group: 'web' } }
  const before: Plan = {
    ...demo,
    machines: [{ ...first!, needs }, ...others],
    apartGroups: [{ name: 'web' }, { name: 'data' }],
  }
  expect(passesAsChanged(demo, before)).toBe(true)
  expect(passesAsChanged(before, { ...before, apartGroups: [{ name: 'web', mostInZone: 2 }] })).toBe(true)
  expect(passesAsChanged(before, { ...before, apartGroups: [{ name: 'data' }] })).toBe(false)
})

test('what did not change is not looked at', () => {
  let reads = 0
  const watched = demo.machines.map(
    (machine) =>
      new Proxy(machine, {
        get: (target, field) => {
          if (field !== 'name') reads += 1
          return Reflect.get(target, field) as unknown
        },
      }),
  )
  const before = { ...demo, machines: watched }
  expect(passesAsChanged(before, { ...before, name: 'Other', machines: [...watched.slice(1), first!] })).toBe(
    true,
  )
  expect(reads).toBe(0)
})
