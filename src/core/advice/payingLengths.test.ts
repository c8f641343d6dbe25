import { valueOf } from '../testing/valueOf.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { chargeMachine } from '../meter/chargeMachine.ts'
import { meterOn } from '../meter/meterMachine.ts'
import { withOff } from '../machine/whenOff.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import type { OffState } from '../off/powerState.ts'
import { add, compare, ZERO, type Exact } from '../quantity/exact.ts'
import { instant } from '../quantity/units.ts'
import { anyMachineOf, anyRulesOf } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { payingLengths } from './payingLengths.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')

const withBilling = (billing: Partial<PriceBook['billing']>): PriceBook => ({
  ...SMALL_BOOK,
  billing: { ...SMALL_BOOK.billing, ...billing },
})

const payingFrom = (book: PriceBook, off: OffState): number | undefined =>
  payingLengths(resolved({}, OFFICE_WEEK, book), MARCH).ways.find((way) => way.off === off)?.fromMinutes

describe('from which length of a gap it pays to be off', () => {
  test('as soon as it has gone off, where time is charged by the second', () => {
    const leave = SMALL_BOOK.states.deallocated!.leave!.seconds
    expect(payingFrom(withBilling({ minimumSeconds: 0, incrementSeconds: 1 }), 'deallocated')).toBe(
      Math.floor(leave / 60) + 1,
    )
  })

  test('where begun hours count whole, only what is off beyond the hour pays', () => {
    const leave = SMALL_BOOK.states.deallocated!.leave!.seconds
    expect(leave).toBeLessThan(3_600)
    expect(payingFrom(withBilling({ minimumSeconds: 0, incrementSeconds: 3_600 }), 'deallocated')).toBe(61)
  })

  test('never where the hardware is charged all the same', () => {
    const book = {
      ...SMALL_BOOK,
      states: { ...SMALL_BOOK.states, stopped: { ...SMALL_BOOK.states.running } },
    }
    expect(payingFrom(book, 'stopped')).toBeUndefined()
  })
})

test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
  'on any book like %s, the cheapest way at each length is the cheapest of all that are asked',
  (_, pattern) => {
    fc.assert(
      fc.property(
        anyRulesOf(pattern).map((book) => ({ ...book, valid: { from: '2027-01-01' } })),
        anyMachineOf(pattern, ['week']),
        fc.array(fc.integer({ min: 1, max: 20_000 }), { minLength: 6, maxLength: 6 }),
        (book, machine, lengths) => {
          // Under a least amount for the month, or where free hours end within it, a state can pay in middling gaps
          // alone, which one length cannot say.
          const { freeAllowances = [] } = book
          fc.pre(book.billing.minimumPerMachineMonth === undefined)
          fc.pre(freeAllowances.every(({ until }) => until < '2027-03-01' || until >= '2027-03-31'))
          const plan = { machines: [machine], weeks: [{ ...OFFICE_WEEK, id: 'week' }] }
          const result = new PlanPricing({
            plan,
            books: [book],
            month: '2027-03' as YearMonth,
            reading: 'calendar',
          }).of(machine)
          if (!result.ok) throw new Error(JSON.stringify(result.issues))
          const { resolved: own, month, account } = result
          const found = payingLengths(own, month, account.planned)
          const cost = (off: OffState, minutes: number): Exact => {
            const from = month.from + 172_800
            const on = [
              { from: instant(month.from - 172_800), to: instant(from) },
              { from: instant(from + minutes * 60), to: instant(month.to + 172_800) },
            ]
            const alone = withOff(own, off)
            const charges = chargeMachine(alone, meterOn(alone, on, month), month, account.planned)
            return valueOf(charges).reduce((sum, { amount }) => add(sum, amount), ZERO)
          }
          const near = [...found.ways, ...found.cheapest].flatMap(({ fromMinutes = 1 }) => [
            fromMinutes,
            fromMinutes - 1,
          ])
          for (const minutes of [...lengths, ...near].filter((each) => each > 0)) {
            const running = cost('running', minutes)
            for (const { off, fromMinutes } of found.ways) {
              expect(compare(cost(off, minutes), running) < 0).toBe(
                fromMinutes !== undefined && minutes >= fromMinutes,
              )
            }
            const cheapest = found.cheapest.findLast(({ fromMinutes }) => minutes >= fromMinutes)!.off
            const allowed = found.ways.filter(({ willDo }) => willDo)
            for (const { off } of allowed) {
              expect(compare(cost(off, minutes), cost(cheapest, minutes))).toBeGreaterThanOrEqual(0)
            }
          }
        },
      ),
      randomRuns(10),
    )
  },
)
