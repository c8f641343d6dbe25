import { chargeTitle } from '../../wording/charge.ts'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { Machine } from '../machine/plan.ts'
import { estimateMachine } from '../meter/estimateMachine.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { OFFICE_WEEK, resolved } from './resolved.ts'
import { RULE_BOOK } from './ruleBook.ts'
import { valueOf } from './valueOf.ts'
import { weekOf } from './weeks.ts'

/** It has 744 hours; the office week is on for 230 of them, and goes off and comes back at once. */
export const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')
export const PRINTED_MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC', '730-hours')
export const NEVER = weekOf('Etc/UTC', [])

/** A machine's month by the book of rules, as `Machine time: 47.541`. */
export function ruleLines(
  part: Partial<Machine>,
  { week = OFFICE_WEEK, book = RULE_BOOK, month = MARCH } = {},
): string[] {
  const estimate = valueOf(estimateMachine({ resolved: resolved(part, week, book), month }))
  return estimate.charges.map(
    (charge) => `${chargeTitle(charge)}: ${trimDecimal(toDecimal(charge.amount, 6))}`,
  )
}
