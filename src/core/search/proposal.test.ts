import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { Machine } from '../machine/plan.ts'
import { add, compare, ZERO } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { cheapestFit } from './cheapestFit.ts'
import { partsOf, priceProposal, type ProposedPart } from './proposal.ts'

const inputs = plateInputs({ off: 'stopped' }, [SMALL_BOOK])
const { machine } = inputs.resolved
const proposed: Machine = {
  ...machine,
  zone: 'b',
  size: 'rare',
  systemDisk: { ...machine.systemDisk, kind: 'steps' },
  off: 'deallocated',
}
const taking = (...parts: ProposedPart[]) => priceProposal(inputs, proposed, new Set(parts))

describe('a proposal', () => {
  test('is made of the parts that differ', () => {
    expect(partsOf(inputs, proposed)).toEqual(['place', 'size', 'off'])
    expect(partsOf(inputs, machine)).toEqual([])
  })

  test('has shares that add up to its difference, in whole and in part', () => {
    for (const parts of [['place', 'size', 'off'], ['place', 'off'], ['off']] as ProposedPart[][]) {
      const { steps, difference, reasons } = taking(...parts)
      expect(reasons).toEqual([])
      expect(steps.map(({ part }) => part)).toEqual(parts)
      const sum = steps.reduce((total, { cost }) => add(total, cost ?? ZERO), ZERO)
      expect(compare(sum, difference!)).toBe(0)
    }
  })

  test('names each change on its own, disk sizes and chosen sizes among them, and what is given up with it', () => {
    const smaller = { ...machine, systemDisk: { ...machine.systemDisk, roomGiB: gib(32) } }
    const { steps } = priceProposal(inputs, smaller, new Set(['disk']))
    expect(steps.map(({ changes }) => changes)).toEqual([
      [{ field: 'room', position: 0, from: machine.systemDisk.roomGiB, to: 32 }],
    ])
    expect(steps[0]!.losses[0]).toEqual({
      kind: 'room',
      position: 0,
      from: machine.systemDisk.roomGiB,
      to: 32,
    })
    // Nothing is given up where it only goes to another zone.
    expect(taking('place').steps[0]!.losses).toEqual([])
  })

  test('says why parts of it do not fit together', () => {
    const { reasons, machine: partly } = taking('size')
    expect(reasons).toMatchObject([{ code: 'not-sold-here', soldIn: ['b'] }])
    expect(partly).toMatchObject({ size: 'rare', zone: 'a', off: 'stopped' })
  })

  test('that moves to another provider is one part, with the state when off where that has to change', () => {
    const { hibernated, ...states } = RULE_BOOK.states
    const weir = { ...RULE_BOOK, provider: { id: 'weir', name: 'Weir' }, states }
    const moving = plateInputs({ off: 'hibernated' }, [SMALL_BOOK, weir])
    const there: Machine = { ...moving.resolved.machine, provider: 'weir', size: 'tenth', off: 'deallocated' }
    expect(partsOf(moving, there)).toEqual(['place'])
    const priced = priceProposal(moving, there, new Set(['place']))
    expect(priced.machine).toEqual(there)
    expect(priced.difference).toBeDefined()
    expect(hibernated).toBeDefined()
  })

  test('of a search costs what the search says', () => {
    const needs = { vcpu: 2, memoryGiB: gib(8), iops: 0 }
    const searched = plateInputs({ off: 'running', needs }, [RULE_BOOK])
    const found = finish(cheapestFit(searched))!
    const parts = partsOf(searched, found.machine)
    const { machine: whole, difference } = priceProposal(searched, found.machine, new Set(parts))
    expect(whole).toEqual(found.machine)
    expect(difference!.n < 0n).toBe(true)
  })
})
