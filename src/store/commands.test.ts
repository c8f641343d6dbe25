import { produce } from 'immer'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import type { Plan } from '../core/machine/plan.ts'
import { gib } from '../core/quantity/units.ts'
import { SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { readPlan } from '../files/planFile.ts'
import type { Recipe } from './change.ts'
import {
  addMachine,
  addWeek,
  freeName,
  removeMachine,
  removeWeek,
  renamePlan,
  setDisk,
  setMachine,
  setMoney,
  setWeek,
  takeChoice,
} from './commands.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const after = (recipe: Recipe): Plan => produce(plan, recipe)

describe('changes of a plan', () => {
  test('touch the machine they name and leave the others as they are', () => {
    const changed = after(takeChoice('depot-kiosk', { decision: 'off', off: 'hibernated' }))
    expect(changed.machines[2]).toEqual({ ...plan.machines[2], off: 'hibernated' })
    changed.machines.forEach((machine, i) => {
      if (i !== 2) expect(machine).toBe(plan.machines[i])
    })
    expect(changed.weeks).toBe(plan.weeks)
  })

  test('of a machine or a week that is not there change nothing', () => {
    expect(after(takeChoice('nobody', { decision: 'off', off: 'stopped' }))).toBe(plan)
    expect(after(setMachine('nobody', { name: 'x' }))).toBe(plan)
    expect(after(setWeek('never', { name: 'x' }))).toBe(plan)
    expect(after(removeMachine('nobody')).machines).toEqual(plan.machines)
  })

  test('add, rename and remove', () => {
    const machine = { ...plan.machines[0]!, name: 'another' }
    expect(after(addMachine(machine)).machines.at(-1)).toEqual(machine)
    expect(after(removeMachine('fare-gate-soak')).machines.map(({ name }) => name)).not.toContain(
      'fare-gate-soak',
    )
    expect(after(renamePlan('Other')).name).toBe('Other')
    expect(after(setWeek('depot-day', { timeZone: 'Etc/UTC' })).weeks[0]!.timeZone).toBe('Etc/UTC')
  })

  test('a week that a machine uses stays; one that nobody uses goes', () => {
    expect(after(removeWeek('depot-day'))).toBe(plan)
    const spare = { ...plan.weeks[0]!, id: 'spare' }
    const withSpare = after(addWeek(spare))
    expect(withSpare.weeks).toHaveLength(7)
    expect(produce(withSpare, removeWeek('spare')).weeks).toEqual(plan.weeks)
  })
})

test.each([
  ['free', ['taken'], 'free'],
  ['bench', ['bench'], 'bench 2'],
  ['bench', ['bench', 'bench 2', 'bench 3'], 'bench 4'],
  ['bench 2', ['bench 2'], 'bench 3'],
])('%s among %j becomes %s', (name, taken, expected) => expect(freeName(name, taken)).toBe(expected))

test('a field that is set to undefined is taken away, from a disk and from the plan’s money', () => {
  const machine = { ...SMALL_MACHINE, systemDisk: { kind: 'gib', roomGiB: gib(50), extraIops: 500 } }
  const plan: Plan = {
    name: 'p',
    month: '2027-03' as Plan['month'],
    weeks: [],
    machines: [machine],
    taxPercent: '23',
  }
  const changed = produce(plan, setDisk(machine.name, 0, { extraIops: undefined, goes: true }))
  expect(changed.machines[0]!.systemDisk).toStrictEqual({ kind: 'gib', roomGiB: gib(50), goes: true })
  expect(produce(plan, setDisk(machine.name, 3, { goes: true }))).toBe(plan)
  expect('taxPercent' in produce(plan, setMoney({ taxPercent: undefined }))).toBe(false)
  expect(produce(plan, setMoney({ currency: 'USD' })).currency).toBe('USD')
})
