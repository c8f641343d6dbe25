import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { expect, test, vi } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { finish } from '../finish.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import * as plates from '../notches/plates.ts'
import { anyCrowdAt } from '../testing/anyCrowd.ts'
import { anyMachineOf } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { AlikeMachines, fromTheEnds } from './AlikeMachines.ts'
import { machineSurvey } from './machineSurvey.ts'
import { surveyPlan, type SurveyInputs } from './surveyPlan.ts'
import { randomRuns } from '../testing/randomRuns.ts'

vi.mock('../notches/plates.ts', { spy: true })

/** What a survey of all says of each machine. */
function surveyed(inputs: SurveyInputs) {
  const { notches, findings } = finish(surveyPlan(inputs))
  return inputs.plan.machines.map(({ name }) => ({
    best: notches
      .filter(({ machine }) => machine === name)
      .map(({ plate, choice, difference, losses }) => ({ plate, choice, difference, losses }))
      .sort((a, b) => a.plate.localeCompare(b.plate)),
    findings: findings.filter(({ machine }) => machine === name).map(({ finding }) => finding),
  }))
}

/** What is said of each when nothing is known of any other. */
function lookedAtAlone(inputs: SurveyInputs) {
  const pricing = new PlanPricing(inputs)
  return inputs.plan.machines.map((machine) => {
    const priced = pricing.of(machine)
    if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
    const { best, findings } = machineSurvey(priced, inputs, pricing, new AlikeMachines())
    return { best: [...best].sort((a, b) => a.plate.localeCompare(b.plate)), findings }
  })
}

const inOrder = <T>(items: readonly T[]): T[] =>
  [...items].sort((a, b) => JSON.stringify(a, spelled).localeCompare(JSON.stringify(b, spelled)))
const spelled = (_: string, value: unknown): unknown => (typeof value === 'bigint' ? String(value) : value)
const comparable = (all: ReturnType<typeof lookedAtAlone>) =>
  all.map(({ best, findings }) => ({ best, findings: inOrder(findings) }))

const inputsOf = (plan: SurveyInputs['plan']): SurveyInputs => ({
  plan,
  books: structuredClone(DEMO_BOOKS),
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  currency: 'EUR',
  decimals: 2,
})

const anyCrowd = anyCrowdAt(DEMO_BOOKS.filter(({ freeAllowances }) => freeAllowances?.length))

const platesLookedAt = (): number => vi.mocked(plates.platesOf).mock.calls.length

test('of many that share, each is found what it is found to be when it is looked at alone', () => {
  let known = 0
  fc.assert(
    fc.property(anyCrowd, ({ weeks, machines }) => {
      vi.mocked(plates.platesOf).mockClear()
      const found = surveyed(inputsOf({ machines, weeks }))
      known += machines.length - platesLookedAt()
      expect(comparable(found)).toEqual(comparable(lookedAtAlone(inputsOf({ machines, weeks }))))
    }),
    randomRuns(4),
  )
  expect(known).toBeGreaterThan(0)
})

test('of many that are the same few are looked at, though all share', () => {
  const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
  if (!read.ok) throw new Error('the demo is not valid')
  const [first, ...others] = read.value.machines
  const copies = Array.from({ length: 60 }, (_, i) => ({ ...first!, name: `copy ${i}` }))
  vi.mocked(plates.platesOf).mockClear()
  finish(surveyPlan(inputsOf({ ...read.value, machines: [...others, ...copies] })))
  expect(platesLookedAt()).toBeLessThan(others.length + 8)
})

test('the first and the last of a form come before those between, and each comes once', () => {
  const [form] = fc.sample(anyMachineOf(DEMO_BOOKS[0]!, ['one']), { seed: 1, numRuns: 1 })
  const machines = Array.from({ length: 9 }, (_, i) => ({
    ...form!,
    name: `machine ${i}`,
    off: i % 3 === 0 ? ('stopped' as const) : ('deallocated' as const),
  }))
  expect([...fromTheEnds(machines)]).toEqual([0, 6, 3, 1, 8, 4, 2, 5, 7])
})
