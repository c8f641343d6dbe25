import fc from 'fast-check'
import { MONTH_READINGS } from '../calendar/billingMonth.ts'
import { dayNumber, formatDate, parseDate } from '../calendar/civil.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { anyMachineOf, anyRulesOf, anyWeek } from './anyMachines.ts'

/**
 * Most machines are always there; others have a first day, or a first and a last one. When a run began that goes through
 * everything before a last day alone, nobody can say.
 */
const anyLife = fc.oneof(
  { weight: 3, arbitrary: fc.constant({}) },
  fc
    .record(
      {
        firstDay: fc.constantFrom('2027-01-20', '2027-03-28', '2027-06-01', '2027-08-15'),
        days: fc.integer({ min: 0, max: 200 }),
      },
      { requiredKeys: ['firstDay'] },
    )
    .map(({ firstDay, days }) => ({
      firstDay,
      ...(days !== undefined && { lastDay: formatDate(dayNumber(parseDate(firstDay)! + days)) }),
    })),
)

/** A few machines on two weeks in some month of 2027, by a book whose rules are changed. */
export const anyPlanOf = (book: PriceBook) =>
  fc.record({
    book: anyRulesOf(book),
    weeks: fc.tuple(anyWeek('one'), anyWeek('two')),
    machines: fc
      .array(anyMachineOf(book, ['one', 'two']), { minLength: 1, maxLength: 4 })
      .chain((machines) =>
        fc
          .array(anyLife, { minLength: machines.length, maxLength: machines.length })
          .map((lives) => machines.map((machine, i) => ({ ...machine, ...lives[i]!, name: `machine-${i}` }))),
      ),
    month: fc.integer({ min: 0, max: 11 }).map((count) => addMonths('2027-01' as YearMonth, count)!),
    reading: fc.constantFrom(...MONTH_READINGS),
  })
