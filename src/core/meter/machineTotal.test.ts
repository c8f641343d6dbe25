import fc from 'fast-check'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { add, compare, ZERO, type Exact } from '../quantity/exact.ts'
import { anyMachineOf } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { chargeMachine } from './chargeMachine.ts'
import { machineTotal } from './machineTotal.ts'
import { meterMachine } from './meterMachine.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const twoMachines = fc.constantFrom(...DEMO_BOOKS).chain((book) => {
  const any = anyMachineOf(book, [OFFICE_WEEK.id])
  return fc.record({ book: fc.constant(book), one: any, other: any })
})

/** One machine with the fields of another put in one after the other: each differs from the last in a single field. */
function* betweenMachines(one: Machine, other: Machine): Generator<Machine> {
  const fields = [...new Set([...Object.keys(one), ...Object.keys(other)])]
  let mixed: Record<string, unknown> = { ...one }
  yield one
  for (const field of fields) {
    const { [field]: _left, ...rest } = mixed
    const taken = other[field as keyof Machine]
    mixed = taken === undefined ? rest : { ...rest, [field]: taken }
    yield mixed as unknown as Machine
  }
}

test('a total that is kept is the sum of the charges, whatever single field has changed', () => {
  let compared = 0
  fc.assert(
    fc.property(twoMachines, ({ book, one, other }) => {
      const index = indexBook(book)
      const month = billingMonth('2027-03' as YearMonth, book.billingZone)
      for (const machine of betweenMachines(one, other)) {
        const found = resolveMachine(machine, { weeks: [OFFICE_WEEK] }, index)
        if (!found.ok || lackedState(machine, book)) continue
        const charges = chargeMachine(found.value, meterMachine(found.value, month), month, undefined)
        const kept = machineTotal(found.value, month)
        if (!charges.ok) {
          expect(kept).toBeUndefined()
          continue
        }
        const sum = charges.value.reduce<Exact>((total, { amount }) => add(total, amount), ZERO)
        expect(compare(kept!, sum)).toBe(0)
        compared += 1
      }
    }),
    randomRuns(150),
  )
  expect(compared).toBeGreaterThan(2_000)
})
