import fc from 'fast-check'
import { expect, test } from 'vitest'
import { gib } from '../quantity/units.ts'
import type { Machine } from '../machine/plan.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { alike, copiedForm, quantityChange } from './quantity.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const machine = (name: string, part: Partial<Machine> = {}): Machine => ({ ...SMALL_MACHINE, ...part, name })
const names = (machines: readonly Machine[]): string[] => machines.map(({ name }) => name)

test('a machine over again is decided alike, and has its name with a number', () => {
  const machines = [
    machine('lab'),
    machine('lab-2', { accepted: [{ finding: 'left-on', note: 'known' }] }),
    machine('lab-3', { off: 'hibernated' }),
    machine('lab-4', { systemDisk: { ...SMALL_MACHINE.systemDisk, roomGiB: gib(999) } }),
    machine('bay-2'),
    machine('lab-5', { systemDisk: { ...SMALL_MACHINE.systemDisk }, tags: {} }),
    machine('lab-6', { systemDisk: structuredClone(SMALL_MACHINE.systemDisk) }),
  ]
  expect(names(alike('lab', { machines }))).toEqual(['lab', 'lab-2', 'lab-6'])
  expect(names(alike('lab-2', { machines }))).toEqual(['lab', 'lab-2', 'lab-6'])
  expect(alike('gone', { machines })).toEqual([])
})

test('more of it are named after it, and the last ones go first', () => {
  const machines = [machine('lab-2'), machine('lab-3'), machine('lab'), machine('lab-5', { off: 'running' })]
  expect(quantityChange('lab', 5, { machines })).toEqual({ add: ['lab-4', 'lab-6'], remove: [] })
  expect(quantityChange('lab', 3, { machines })).toEqual({ add: [], remove: [] })
  expect(quantityChange('lab', 1, { machines })).toEqual({ add: [], remove: ['lab-2', 'lab-3'] })
  expect(quantityChange('lab-3', 2, { machines })).toEqual({ add: [], remove: ['lab'] })
})

test('after a change the quantity is the one that was asked for, and others are as they were', () => {
  const anyPlan = fc
    .uniqueArray(fc.integer({ min: 2, max: 30 }), { maxLength: 12 })
    .map((numbers) => [
      machine('lab'),
      machine('other'),
      ...numbers.map((number, i) => machine(`lab-${number}`, i % 3 ? {} : { off: 'running' })),
    ])
  fc.assert(
    fc.property(anyPlan, fc.integer({ min: 1, max: 20 }), fc.nat(), (machines, quantity, which) => {
      const { name } = machines[which % machines.length]!
      const { add, remove } = quantityChange(name, quantity, { machines })
      const form = copiedForm(machines.find((each) => each.name === name)!)
      const after = [
        ...machines.filter((each) => !remove.includes(each.name)),
        ...add.map((each): Machine => ({ ...form, name: each })),
      ]
      expect(alike(name, { machines: after })).toHaveLength(quantity)
      expect(new Set(names(after)).size).toBe(after.length)
      expect(names(after)).toContain(name)
      const unlike = machines.filter((each) => !alike(name, { machines }).includes(each))
      expect(after).toEqual(expect.arrayContaining(unlike))
    }),
    randomRuns(100),
  )
})
