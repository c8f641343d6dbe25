import { produce } from 'immer'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import type { Plan } from '../core/machine/plan.ts'
import { nearWeeks } from '../core/decisions/nearWeeks.ts'
import { gib } from '../core/quantity/units.ts'
import { SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { MOST_VARIANTS } from '../core/machine/variant.ts'
import { readPlan, writePlan } from '../files/plan/planFile.ts'
import type { Recipe } from './change.ts'
import {
  acceptFinding,
  addAsBilled,
  addMachine,
  addToCleanUp,
  addWeek,
  cleanedUp,
  endMachines,
  pinPlate,
  removeMachines,
  removeWeek,
  renamePlan,
  replaceMachine,
  setAccess,
  setDisk,
  setLife,
  setMachine,
  setMoney,
  setNeeds,
  setPlaces,
  setWeek,
  takeChoice,
} from './commands.ts'
import {
  dropVariant,
  freezeVariant,
  isWeekShared,
  keepFormAsVariant,
  keepVariant,
  renameVariant,
  takeVariant,
} from './variantCommands.ts'
import { freeName } from './recipes.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const after = (recipe: Recipe, before: Plan = plan): Plan => produce(before, recipe)

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
    expect(after(removeMachines(new Set(['nobody']))).machines).toEqual(plan.machines)
  })

  test('add, rename and remove', () => {
    const machine = { ...plan.machines[0]!, name: 'another' }
    expect(after(addMachine(machine)).machines.at(-1)).toEqual(machine)
    expect(after(removeMachines(new Set(['fare-gate-soak']))).machines.map(({ name }) => name)).not.toContain(
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

test('a machine as it is billed comes with its week; what is left over stands once, and goes when it is deleted', () => {
  const week = { ...plan.weeks[0]!, id: 'billed-web' }
  const machine = { ...plan.machines[0]!, name: 'web', week: week.id }
  const added = after(addAsBilled(machine, week))
  expect([added.weeks.at(-1), added.machines.at(-1)]).toEqual([week, machine])
  expect(after(addAsBilled({ ...machine, week: 'depot-day' }, undefined)).weeks).toBe(plan.weeks)
  const left = { resource: 'disks of old', month: plan.month, cost: '8.07' }
  const listed = produce(after(addToCleanUp(left)), addToCleanUp({ ...left, cost: '9.10' }))
  expect(listed.cleanUp).toEqual([{ ...left, cost: '9.10' }])
  expect(readPlan(writePlan(listed))).toEqual({ ok: true, value: listed })
  expect('cleanUp' in produce(listed, cleanedUp(new Set(['disks of old'])))).toBe(false)
  expect(produce(listed, cleanedUp(new Set(['others']))).cleanUp).toEqual(listed.cleanUp)
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

describe('decisions about one machine', () => {
  const named = (changed: Plan, name: string) => changed.machines.find((machine) => machine.name === name)!
  const run = (...recipes: Recipe[]): Plan =>
    recipes.reduce((before, recipe) => produce(before, recipe), plan)
  const NAME = 'signal-replay'
  const original = named(plan, NAME)

  test('a week that the plan does not hold comes with its choice, once', () => {
    const [near] = nearWeeks(plan.weeks[0]!, plan.weeks)
    const { week } = near!
    const choice = { decision: 'week', week } as const
    const changed = run(takeChoice(NAME, choice), takeChoice('depot-kiosk', choice))
    expect(changed.weeks).toHaveLength(plan.weeks.length + 1)
    expect(named(changed, NAME).week).toBe(week.id)
    expect(readPlan(writePlan(changed)).ok).toBe(true)
  })

  test('a machine in another form keeps its name', () => {
    const changed = run(replaceMachine(NAME, { ...named(plan, 'fare-gate-soak') }))
    expect(named(changed, NAME)).toMatchObject({ name: NAME, size: 'kestrel-8-16' })
  })

  test('pins, needs, access and accepted findings leave no trace once they are taken back', () => {
    const changed = run(
      pinPlate(NAME, 'size', true),
      pinPlate(NAME, 'off', true),
      setNeeds(NAME, { roundTripMs: 40, keeps: ['memory'] }),
      setAccess(NAME, { administrator: 'tramops', signIn: 'key' }),
      acceptFinding(NAME, 'left-on', 'meant to be'),
    )
    expect(named(changed, NAME)).toMatchObject({
      pinned: ['size', 'off'],
      needs: { roundTripMs: 40, keeps: ['memory'] },
      access: { administrator: 'tramops', signIn: 'key' },
      accepted: [{ finding: 'left-on', note: 'meant to be' }],
    })
    expect(readPlan(writePlan(changed)).ok).toBe(true)
    const back = [
      pinPlate(NAME, 'size', false),
      pinPlate(NAME, 'off', false),
      setNeeds(NAME, { roundTripMs: undefined, keeps: undefined }),
      setAccess(NAME, { administrator: undefined, signIn: undefined }),
      acceptFinding(NAME, 'left-on', undefined),
    ].reduce((before, recipe) => produce(before, recipe), changed)
    expect(named(back, NAME)).toEqual(original)
  })

  test('places that are gone are not asked about any more', () => {
    const changed = run(setPlaces([{ name: 'Pune', latitude: 18.52, longitude: 73.86 }]))
    expect(named(changed, 'timetable-loadgen').needs.usedFrom).toBeUndefined()
    expect(run(setPlaces([])).places).toBeUndefined()
  })

  test('variants are kept, renamed, taken over and dropped; numbers are not given twice', () => {
    const kept = run(
      keepVariant(NAME),
      takeChoice(NAME, { decision: 'size', size: 'kite-2-8' }),
      keepVariant(NAME),
      renameVariant(NAME, 1, 'before'),
    )
    const { variants } = named(kept, NAME)
    expect(variants?.map(({ number, name, form }) => [number, name, form.size])).toEqual([
      [1, 'before', 'heron-2-8'],
      [2, 'Variant 2', 'kite-2-8'],
    ])
    expect(readPlan(writePlan(kept)).ok).toBe(true)
    const taken = produce(kept, takeVariant(NAME, 1))
    expect(named(taken, NAME)).toEqual({ ...original, variants })
    const dropped = [dropVariant(NAME, 1), keepVariant(NAME)].reduce(
      (before, recipe) => produce(before, recipe),
      taken,
    )
    expect(named(dropped, NAME).variants?.map(({ number }) => number)).toEqual([2, 3])
  })

  test('no more variants are kept than can stand side by side', () => {
    const many = run(...Array.from({ length: MOST_VARIANTS + 2 }, () => keepVariant(NAME)))
    expect(named(many, NAME).variants).toHaveLength(MOST_VARIANTS)
  })

  test('another form is kept beside the machine, which stays as it is, and is a plan that can be read', () => {
    const other = { ...original, size: 'kite-4-16', name: 'another' }
    const kept = run(keepFormAsVariant(NAME, `Kite 4/16 in ${'Gdynia '.repeat(12)}`, other))
    const [variant] = named(kept, NAME).variants!
    expect([variant!.number, variant!.form.size, variant!.name.length]).toEqual([1, 'kite-4-16', 60])
    expect({ ...named(kept, NAME), variants: undefined }).toEqual({ ...original, variants: undefined })
    expect(readPlan(writePlan(kept)).ok).toBe(true)
    expect(named(produce(kept, takeVariant(NAME, 1)), NAME).size).toBe('kite-4-16')
    const many = run(...Array.from({ length: MOST_VARIANTS + 2 }, () => keepFormAsVariant(NAME, 'x', other)))
    expect(named(many, NAME).variants).toHaveLength(MOST_VARIANTS)
  })

  test('a week that only a variant uses stays', () => {
    const changed = run(keepVariant(NAME), takeChoice(NAME, { decision: 'week', week: plan.weeks[5]! }))
    const week = original.week
    const alone = produce(changed, (draft) => {
      draft.machines = draft.machines.filter(({ name }) => name === NAME)
    })
    expect(produce(alone, removeWeek(week)).weeks.map(({ id }) => id)).toContain(week)
    expect(produce(alone, removeWeek('pune-day')).weeks.map(({ id }) => id)).not.toContain('pune-day')
  })

  test('a kept variant follows its week until its hours are frozen', () => {
    const [machine] = plan.machines
    const { name, week } = machine!
    const kept = after(keepVariant(name))
    const number = kept.machines[0]!.variants![0]!.number
    expect(isWeekShared(kept, name, number, week)).toBe(true)
    const frozen = after(freezeVariant(name, number), kept)
    const own = frozen.machines[0]!.variants![0]!.form.week
    expect(isWeekShared(frozen, name, number, own)).toBe(false)
    const [was, is] = [week, own].map((id) => frozen.weeks.find((each) => each.id === id)!)
    expect({ ...is, id: was!.id, name: was!.name }).toEqual(was)
    expect(is!.name).toBe(`${was!.name}, as kept`)
    // Twice gives another one.
    expect(after(freezeVariant(name, number), frozen).weeks.at(-1)!.name).not.toBe(is!.name)
  })

  test('what is deleted but leaves something behind stays as gone', () => {
    const [machine] = plan.machines
    const ended = after(endMachines(new Set([machine!.name]), '2027-02-28'))
    expect(ended.machines[0]).toMatchObject({ name: machine!.name, lastDay: '2027-02-28' })
    const later = after(setLife(machine!.name, { firstDay: '2027-06-01', lastDay: '2027-07-31' }))
    expect(after(endMachines(new Set([machine!.name]), '2027-02-28'), later).machines[0]).not.toHaveProperty(
      'firstDay',
    )
  })
})
