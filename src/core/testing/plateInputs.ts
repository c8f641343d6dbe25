import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { heldInputs } from '../notches/heldInputs.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { OFFICE_WEEK } from './resolved.ts'
import { SMALL_MACHINE } from './smallBook.ts'

/** What the plates of a small machine, changed in part, are made of in March 2027, with the books of other providers. */
export function plateInputs(
  part: Partial<Machine>,
  books: readonly PriceBook[],
  plan: Partial<Plan> = {},
): PlatesInputs {
  const machine: Machine = { ...SMALL_MACHINE, ...part }
  const month = '2027-03' as YearMonth
  const whole: Plan = { name: 'small', month, weeks: [OFFICE_WEEK], machines: [machine], ...plan }
  const pricing = new PlanPricing({ plan: whole, books, month, reading: 'calendar' })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, account } = priced
  const elsewhere = pricing.elsewhere(resolved.index)
  return heldInputs({ resolved, plan: whole, month: priced.month, shared: account.planned, elsewhere })
}
