import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { PlanPricing } from '../meter/planPricing.ts'
import { compare, sign, toNumber } from '../quantity/exact.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { closedBy, closedChoices } from './closedChoices.ts'
import { figureDifferences } from './figureDifferences.ts'
import { resolvedWith } from './choiceFigures.ts'
import { cheapestNotch, isOpen, type Plate } from './plate.ts'
import { platesOf } from './plates.ts'
import { byWeight, PLATE_WEIGHTS, plateWeight, savesLittle } from './plateWeight.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month: plan.month, reading: 'calendar' })

const machines = plan.machines.map((machine) => {
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error('not priced')
  const { resolved, month, account } = priced
  const inputs = {
    resolved,
    plan,
    month,
    shared: account.planned,
    elsewhere: pricing.elsewhere(resolved.index),
  }
  return { inputs, plates: platesOf(inputs) }
})
const plates = machines.flatMap((machine) => machine.plates)
const ofLoadgen = machines[1]!
const plate = (id: Plate['id']): Plate => ofLoadgen.plates.find((each) => each.id === id)!

describe('what a plate can do', () => {
  test('each stands in one group: what saves has an open cheaper choice, what is settled none that is cheaper', () => {
    for (const each of plates) {
      const others = each.notches.filter(({ isPresent }) => !isPresent)
      const cheaper = others.filter(({ difference }) => difference && sign(difference) < 0)
      const isKept = each.fold === 'pinned' || each.fold === 'only-choice'
      const expected = isKept || cheaper.length === 0 ? 'settled' : cheaper.some(isOpen) ? 'saves' : 'matters'
      expect([each.id, plateWeight(each)]).toEqual([each.id, expected])
    }
    for (const { plates: own } of machines) {
      const groups = byWeight(own)
      const ids = PLATE_WEIGHTS.flatMap((weight) => groups[weight].map(({ id }) => id))
      expect([...ids].sort()).toEqual(own.map(({ id }) => id).sort())
    }
  })

  test('what saves most stands first; less than a hundredth of the month is little', () => {
    for (const { plates: own } of machines) {
      const savings = byWeight(own).saves.map((each) => cheapestNotch(each)!.difference!)
      for (const [i, saving] of savings.slice(1).entries())
        expect(compare(savings[i]!, saving)).toBeLessThan(1)
    }
    const month = toNumber(plate('size').notches[plate('size').present]!.total!)
    expect(Math.round(month)).toBe(58)
    expect([savesLittle(plate('size')), savesLittle(plate('terms'))]).toEqual([false, false])
    const little = plates.filter(savesLittle)
    expect(little.length).toBeGreaterThan(0)
    for (const each of little) {
      const now = each.notches[each.present]!
      expect(-toNumber(cheapestNotch(each)!.difference!) / toNumber(now.total!)).toBeLessThan(0.01)
    }
  })
})

describe('closed choices', () => {
  test('are each counted once, by their first reason', () => {
    for (const each of plates) {
      const groups = closedChoices(each)
      const closed = each.notches.filter((notch) => !notch.isPresent && notch.reasons.length > 0)
      expect(groups.reduce((sum, { count }) => sum + count, 0)).toBe(closed.length)
      for (const { code, count } of groups)
        expect(closed.filter((notch) => closedBy(notch) === code)).toHaveLength(count)
    }
  })

  test('of the size of a machine that needs 4 vCPU and 16 GiB: needs first, the most first', () => {
    expect(closedChoices(plate('size')).slice(0, 3)).toEqual([
      { code: 'too-few-vcpu', need: 'vcpu', count: 13 },
      { code: 'too-little-memory', need: 'memory', count: 4 },
      { code: 'too-few-iops', need: 'iops', count: 1 },
    ])
  })
})

test('figures differ as the book says: Kestrel 4/8 has 8 GiB less, Kite 4/16 is built otherwise', () => {
  const { inputs } = ofLoadgen
  const to = (id: Plate['id'], key: RegExp) => {
    const notch = plate(id).notches.find((each) => key.test(each.key))!
    return figureDifferences(inputs.resolved, resolvedWith(inputs, notch), inputs.month)
  }
  expect(to('size', /kestrel-4-8$/)).toContainEqual({ of: 'memory', by: -8 })
  expect(to('size', /kite-4-16$/)).toEqual([{ of: 'architecture', is: 'arm64' }])
  expect(to('disk-room', /64/)).toContainEqual({ of: 'room', by: -64 })
})
