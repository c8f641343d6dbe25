import { expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { Machine } from '../machine/plan.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { bestOfMachines } from './bestOfMachines.ts'
import { copiesOf, inSeveralZones, withInZones } from './inSeveralZones.ts'
import { alike } from './quantity.ts'
import type { PlanNotch } from './surveyPlan.ts'

test('each further zone is one more machine, kept apart from the others', () => {
  const plan = { machines: [SMALL_MACHINE, { ...SMALL_MACHINE, name: 'last' }] }
  const found = inSeveralZones(SMALL_MACHINE, ['a', 'b', 'c'], plan)
  const { name, zone } = SMALL_MACHINE
  expect(found.group).toEqual({ name, mostInZone: 1 })
  expect(found.copies.map((copy) => [copy.name, copy.zone])).toEqual([
    [`${name}-2`, 'b'],
    [`${name}-3`, 'c'],
  ])
  const after = withInZones(plan, SMALL_MACHINE, found)
  expect(after.machines.map((machine) => [machine.zone, machine.needs.apart?.group])).toEqual([
    [zone, name],
    ['b', name],
    ['c', name],
    [zone, undefined],
  ])
  expect(after).toMatchObject({ apartGroups: [{ name, mostInZone: 1 }] })
})

test('a machine of a group stays in it, and a taken name of a group is numbered', () => {
  const apart = { group: 'web', sharesNothing: true }
  const machine: Machine = { ...SMALL_MACHINE, needs: { ...SMALL_MACHINE.needs, apart } }
  const apartGroups = [{ name: 'web' }, { name: SMALL_MACHINE.name }]
  const within = inSeveralZones(machine, ['b'], { machines: [machine], apartGroups })
  expect(within.group).toBeUndefined()
  expect(within.copies[0]!.needs.apart).toEqual(apart)
  const plan = { machines: [SMALL_MACHINE], apartGroups }
  expect(inSeveralZones(SMALL_MACHINE, ['b'], plan).group?.name).toBe(`${SMALL_MACHINE.name} 2`)
})

test('copies of a machine of a group stand where there is room, as long as there is', () => {
  const apart = { group: 'web' }
  const machine: Machine = { ...SMALL_MACHINE, needs: { ...SMALL_MACHINE.needs, apart } }
  const region = indexBook(SMALL_BOOK).regions.get('east')!
  const zones = (most: number, names: readonly string[]) =>
    copiesOf(
      machine,
      names,
      { machines: [machine], apartGroups: [{ name: 'web', mostInZone: most }] },
      region,
    ).map(({ zone }) => zone)
  expect(machine.zone).toBe('a')
  expect(zones(1, ['two'])).toEqual(['b'])
  // Both zones are full then.
  expect(zones(1, ['two', 'three'])).toEqual(['b', 'a'])
  expect(zones(2, ['two', 'three', 'four'])).toEqual(['a', 'b', 'b'])
  expect(copiesOf(SMALL_MACHINE, ['two'], { machines: [SMALL_MACHINE] }, region)[0]!.zone).toBe('a')
  // They are so many of the same, in whatever zones they stand.
  const [copy] = copiesOf(machine, [`${machine.name}-2`], { machines: [machine] }, undefined)
  expect(alike(machine.name, { machines: [machine, { ...copy!, zone: 'b' }] })).toHaveLength(2)
  expect(
    alike(machine.name, { machines: [SMALL_MACHINE, { ...SMALL_MACHINE, name: copy!.name, zone: 'b' }] }),
  ).toHaveLength(1)
})

test('of the machines of a group one moves, and the others take their next best', () => {
  const inGroup = { needs: { ...SMALL_MACHINE.needs, apart: { group: 'web' } } }
  const machines = ['one', 'two', 'free'].map((name) => ({
    ...SMALL_MACHINE,
    ...(name !== 'free' && inGroup),
    name,
  }))
  const notch = (machine: string, decision: 'place' | 'off'): PlanNotch =>
    ({ machine, choice: { decision } }) as unknown as PlanNotch
  const notches = [
    notch('one', 'place'),
    notch('two', 'place'),
    notch('free', 'place'),
    notch('two', 'off'),
    notch('one', 'off'),
  ]
  expect(
    bestOfMachines(notches, { machines }).map(({ machine, choice }) => [machine, choice.decision]),
  ).toEqual([
    ['one', 'place'],
    ['free', 'place'],
    ['two', 'off'],
  ])
})
