import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { METERS } from '../meter/charge.ts'
import { MONTH_PARTS } from '../meter/monthPart.ts'
import { splitMonth } from '../meter/splitMonth.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { POWER_STATES } from '../off/powerState.ts'
import { roundToUnits } from '../quantity/decimal.ts'
import { roundParts } from '../quantity/roundParts.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { FOLDS } from './fold.ts'
import { filterLedger, foldLedger, sumsOf } from './foldLedger.ts'
import { ledgerRow } from './ledger.ts'
import { planLedger } from './planLedger.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MARCH = '2027-03' as YearMonth

const anyInputs = fc.constantFrom(...DEMO_BOOKS).chain((pattern) =>
  fc.record({
    books: anyRulesOf(pattern).map((book) => [{ ...book, valid: { from: '2027-01-01' } }]),
    plan: fc.record({
      weeks: fc.tuple(anyWeek('one'), anyWeek('two')),
      machines: fc
        .array(anyMachineOf(pattern, ['one', 'two']), { minLength: 1, maxLength: 3 })
        .map((machines) => machines.map((machine, i) => ({ ...machine, name: `machine-${i}` }))),
    }),
    month: fc.constant(MARCH),
    reading: fc.constantFrom('calendar' as const, '730-hours' as const),
    decimals: fc.constantFrom(2, 4),
    byDaysOf: fc.constantFrom(undefined, 'Europe/Lisbon', 'Asia/Kolkata'),
  }),
)

const total = (numbers: Iterable<number>): number => [...numbers].reduce((sum, number) => sum + number, 0)

describe('a ledger by what a month is paid for', () => {
  test('has the figures of the machine’s own split, to the last unit, by days too', () => {
    fc.assert(
      fc.property(anyInputs, (inputs) => {
        const [machine] = inputs.plan.machines
        const priced = new PlanPricing(inputs).of(machine!)
        if (!priced.ok) throw new Error('not priced')
        const split = splitMonth(priced)
        const { parts } = roundParts(
          MONTH_PARTS.map((part) => split[part]),
          inputs.decimals,
        )
        const { ledger, days } = planLedger({ ...inputs, only: machine!.name, byPart: true })
        const groups = new Map(
          foldLedger(ledger, ledger.byTime, 'part', days).map(({ key, sums }) => [key, total(sums.values())]),
        )
        expect(MONTH_PARTS.map((part) => groups.get(part) ?? 0)).toEqual(
          parts.map((part) => Math.round(Number(part) * 10 ** inputs.decimals)),
        )
      }),
      randomRuns(60),
    )
  })
})

describe('a ledger', () => {
  test('its rows add up to each line and each total as they are shown elsewhere, in every layout and fold', () => {
    fc.assert(
      fc.property(anyInputs, (inputs) => {
        const { ledger, days } = planLedger(inputs)
        const pricing = new PlanPricing(inputs)
        const rows = ledger.byTime
        inputs.plan.machines.forEach((machine, at) => {
          const result = pricing.of(machine)
          if (!result.ok) throw new Error('not priced')
          const { charges, total: exact } = result.estimate
          const own = rows.filter((row) => ledger.lines[ledger.line[row]!]!.machine === at)
          expect(total(own.map((row) => ledger.shown[row]! * 1))).toBe(
            Number(roundToUnits(exact, inputs.decimals)),
          )
          const shown = roundParts(
            charges.map(({ amount }) => amount),
            inputs.decimals,
          ).parts
          const firstLine = ledger.lines.findIndex((line) => line.machine === at)
          charges.forEach((_, i) => {
            const ofLine = rows.filter((row) => ledger.line[row] === firstLine + i)
            const units = total([...ofLine].map((row) => ledger.shown[row]!))
            expect(units).toBe(Math.round(Number(shown[i]) * 10 ** inputs.decimals))
          })
        })
        for (const fold of FOLDS) {
          const laid = fold === 'part' ? planLedger({ ...inputs, byPart: true }).ledger : ledger
          const groups = foldLedger(laid, laid.byTime, fold, days)
          expect(total(groups.map((group) => group.rows.length))).toBe(laid.byTime.length)
          for (const [currency, sum] of sumsOf(ledger, rows)) {
            expect(total(groups.map(({ sums }) => sums.get(currency) ?? 0))).toBe(sum)
          }
        }
      }),
      randomRuns(80),
    )
  })

  test('rows stand in time order, and filters part them without loss', () => {
    fc.assert(
      fc.property(anyInputs, (inputs) => {
        const { ledger } = planLedger(inputs)
        const times = [...ledger.byTime].map((row) => ledger.from[row]!)
        expect(times).toEqual([...times].sort((a, b) => a - b))
        const parts = METERS.flatMap((meter) =>
          POWER_STATES.map(
            (state) => filterLedger(ledger, { meters: new Set([meter]), states: new Set([state]) }).length,
          ),
        )
        expect(total(parts)).toBe(ledger.byTime.length)
      }),
      randomRuns(40),
    )
  })

  test('laid out by days, each row lies in one day and its ticks are the charge’s', () => {
    fc.assert(
      fc.property(anyInputs, (inputs) => {
        const { ledger, days } = planLedger({ ...inputs, byDaysOf: 'Asia/Kolkata' })
        const ticks = new Map<number, number>()
        for (const row of ledger.byTime) {
          const { span } = ledgerRow(ledger, row)
          expect(days.some((day) => day.span.from <= span.from && span.to <= day.span.to)).toBe(true)
          ticks.set(ledger.line[row]!, (ticks.get(ledger.line[row]!) ?? 0) + ledger.ticks[row]!)
        }
        ledger.lines.forEach(({ charge }, at) => expect(ticks.get(at) ?? 0).toBe(charge.pieces.ticks))
      }),
      randomRuns(40),
    )
  })
})
