import { expect, test } from 'vitest'
import { localDays } from '../calendar/localDays.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal } from '../quantity/decimal.ts'
import { add, ZERO } from '../quantity/exact.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { dailyParts } from './dailyParts.ts'
import { MONTH_PARTS } from './monthPart.ts'
import { splitMonth } from './splitMonth.ts'

const daysOf = (part: Partial<Machine>) => {
  const [priced] = pricedTogether([{ size: 'middle', ...part }], RULE_BOOK)
  const days = localDays(priced!.month, 'Etc/UTC').map(({ span }) => span)
  return { priced: priced!, parts: dailyParts(priced!, days) }
}

test('days of a machine that is never off leak what the week does not ask for', () => {
  const { parts } = daysOf({ off: 'running' })
  // Monday, 1 March: 10 h asked for and 14 h not at 0.2067, and a 31st of the disk's 9.86. Saturday, 6 March: all of it.
  const shown = (day: number) => MONTH_PARTS.map((part) => toDecimal(parts[day - 1]![part], 4))
  expect(shown(1)).toEqual(['0.3181', '2.0670', '2.8938'])
  expect(shown(6)).toEqual(['0.3181', '0.0000', '4.9608'])
})

test('days add up to the month, part by part', () => {
  for (const part of [{ off: 'stopped' }, { terms: 'year-part' }, { off: 'deallocated' }] as const) {
    const { priced, parts } = daysOf(part)
    const split = splitMonth(priced)
    for (const name of MONTH_PARTS) {
      const sum = parts.reduce((all, each) => add(all, each[name]), ZERO)
      expect(toDecimal(sum, 12)).toBe(toDecimal(split[name], 12))
    }
  }
})
