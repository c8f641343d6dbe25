import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { applyChoice } from '../decisions/choice.ts'
import type { Machine } from '../machine/plan.ts'
import { planTotals } from '../meter/planTotals.ts'
import { PlanPricing, type PlanPricingInputs } from '../meter/planPricing.ts'
import type { Plate } from '../notches/plate.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import { platesOf } from '../notches/plates.ts'
import { compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { surveyPlan, type Survey, type SurveyInputs } from './surveyPlan.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const surveyed = (inputs: SurveyInputs): Survey => finish(surveyPlan(inputs))

const inputsOf = (
  parts: readonly Partial<Machine>[],
  books: PlanPricingInputs['books'] = [SMALL_BOOK],
  plan: Partial<SurveyInputs['plan']> = {},
): SurveyInputs => ({
  plan: {
    machines: parts.map((part, i) => ({ ...SMALL_MACHINE, name: `m${i}`, ...part })),
    weeks: [OFFICE_WEEK],
    ...plan,
  },
  books,
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  currency: 'EUR',
  decimals: 2,
})

describe('the largest notches left', () => {
  test('stand by what they save, each with what it takes away', () => {
    const { notches } = surveyed(
      inputsOf([{ off: 'stopped' }, { needs: { ...SMALL_MACHINE.needs, vcpu: 4 } }]),
    )
    const shown = notches.map(({ machine, plate, saving, losses }) => [
      machine,
      plate,
      toDecimal(saving!, 2),
      losses.map(({ kind }) => kind),
    ])
    // 744 h less 230 h and 23 times 30 s to go off, at 0.2067.
    expect(shown[0]).toEqual(['m0', 'off', '106.20', ['when-off', 'return']])
    const sizes = shown.filter(([, plate]) => plate === 'size')
    // The other one needs its 4 vCPU, and its image does not run on the cheaper size that has them.
    expect(sizes.map(([machine]) => machine)).toEqual(['m0'])
    expect(sizes[0]![3]).toEqual(['vcpu', 'memory'])
    const savings = notches.map(({ saving }) => saving!)
    expect(savings.every((each, i) => i === 0 || compare(savings[i - 1]!, each) >= 0)).toBe(true)
  })

  test('leave alone what is pinned, and when the machine is on', () => {
    const plates = (part: Partial<Machine>) => surveyed(inputsOf([part])).notches.map(({ plate }) => plate)
    const weeks = [OFFICE_WEEK, { ...OFFICE_WEEK, id: 'never', windows: [] }]
    expect(plates({ off: 'stopped' })).toContain('off')
    expect(plates({ off: 'stopped', pinned: ['off'] })).not.toContain('off')
    const { notches } = surveyed(inputsOf([{}], [SMALL_BOOK], { weeks }))
    expect(notches.map(({ plate }) => plate)).not.toContain('week')
  })

  test('in a currency without a rate, have no saving in the plan’s, and stand last', () => {
    const other = { ...SMALL_BOOK, provider: { id: 'weir', name: 'Weir' }, currency: 'USD' }
    const { notches } = surveyed(
      inputsOf([{ provider: 'weir', off: 'stopped' }, { off: 'stopped' }], [SMALL_BOOK, other]),
    )
    expect(notches.at(-1)!.saving).toBeUndefined()
    expect(notches[0]!.machine).toBe('m1')
  })

  test('equal pricing every change with the whole meter, on random plans', () => {
    const book = DEMO_BOOKS[1]!
    const anyPlan = fc.record({
      machines: fc.array(anyMachineOf(book, ['a', 'b']), { minLength: 1, maxLength: 2 }),
      weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
    })
    fc.assert(
      fc.property(anyPlan, ({ machines: some, weeks }) => {
        const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
        const inputs = inputsOf([], [book], { machines, weeks })
        const { notches } = surveyed({ ...inputs, currency: 'USD' })
        for (const machine of machines) {
          const result = new PlanPricing(inputs).of(machine)
          if (!result.ok) continue
          const asked = heldInputs({ ...result, plan: inputs.plan, shared: result.account.planned })
          for (const plate of platesOf(asked)) {
            if (!['off', 'terms', 'address', 'disk-room', 'size'].includes(plate.decision)) continue
            const found = notches.find((each) => each.machine === machine.name && each.plate === plate.id)
            const best = bestByMeter(inputs, machine, plate)
            expect(found?.difference && toDecimal(found.difference, 9)).toBe(best && toDecimal(best, 9))
          }
        }
      }),
      randomRuns(8),
    )
  }, 60_000)
})

/** The machine's month with each fitting choice, in its plan, less its month now: the least below zero. */
function bestByMeter(inputs: SurveyInputs, machine: Machine, plate: Plate): Exact | undefined {
  const monthWith = (changed: Machine): Exact | undefined => {
    const machines = inputs.plan.machines.map((each) => (each === machine ? changed : each))
    const after = new PlanPricing({ ...inputs, plan: { ...inputs.plan, machines } }).of(changed)
    return after.ok ? after.estimate.total : undefined
  }
  const before = monthWith(machine)!
  const differences = plate.notches
    .filter(({ reasons }) => reasons.length === 0)
    .flatMap(({ choice }) => {
      const after = monthWith(applyChoice(machine, choice))
      return after ? [subtract(after, before)] : []
    })
  return differences.sort(compare).find((difference) => compare(difference, ZERO) < 0)
}

test('a saving is what the plan’s shown total falls by, shared allowances and rounding included', () => {
  const book = DEMO_BOOKS[1]!
  const anyPlan = fc.record({
    machines: fc.array(anyMachineOf(book, ['a', 'b']), { minLength: 2, maxLength: 4 }),
    weeks: fc.tuple(anyWeek('a'), anyWeek('b')),
  })
  fc.assert(
    fc.property(anyPlan, ({ machines: some, weeks }) => {
      const machines = some.map((machine, i) => ({ ...machine, name: `m${i}` }))
      const inputs = { ...inputsOf([], [book], { machines, weeks }), currency: 'USD' }
      const totalOf = (all: readonly Machine[]): Exact => {
        const pricing = new PlanPricing({ ...inputs, plan: { machines: all, weeks } })
        const results = all.map((machine) => pricing.of(machine))
        fc.pre(results.every(({ ok }) => ok))
        return planTotals(
          {},
          results.flatMap((each) => (each.ok ? [each.estimate] : [])),
          inputs.month,
          2,
        ).planned
      }
      const before = totalOf(machines)
      for (const { machine, choice, saving } of surveyed(inputs).notches.slice(0, 6)) {
        const after = totalOf(
          machines.map((each) => (each.name === machine ? applyChoice(each, choice) : each)),
        )
        expect(toDecimal(saving!, 2)).toBe(toDecimal(subtract(before, after), 2))
      }
    }),
    randomRuns(8),
  )
}, 60_000)

describe('the watch list of a plan', () => {
  test('holds what is open on every machine’s own, the dearest first', () => {
    const { findings } = surveyed(inputsOf([{ address: 'changing' }, { off: 'stopped' }]))
    const keys = findings.map(({ machine, finding }) => `${machine} ${finding.key}`)
    expect(keys).toContain('m1 off-still-charged')
    const stakes = findings.map(({ stake }) => stake).filter((stake) => stake !== undefined)
    expect(stakes.every((each, i) => i === 0 || compare(stakes[i - 1]!, each) >= 0)).toBe(true)
  })
})
