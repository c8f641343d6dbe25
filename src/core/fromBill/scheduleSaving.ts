import type { Weekday } from '../calendar/civil.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { add, subtract, ZERO, type Exact } from '../quantity/exact.ts'

const WORKDAYS: readonly Weekday[] = [0, 1, 2, 3, 4]
const FROM = 8 * 60
const TO = 18 * 60
/** Machines that are on for longer are looked at; others have a schedule already. */
const LEAST_MINUTES = 100 * 60

/** What machines that are on most of the week would save on working days alone. */
export interface ScheduleSaving {
  readonly currency: string
  readonly machines: number
  readonly saved: Exact
}

/** The machines that are on for more than a hundred hours a week, on from 8 to 18 on working days instead; by currency. */
export function scheduleSaving(plan: Plan, books: readonly PriceBook[], month: YearMonth): ScheduleSaving[] {
  const long = new Set(plan.weeks.filter((week) => minutesOf(week) > LEAST_MINUTES).map(({ id }) => id))
  const weeks = plan.weeks.map((week): WeekPlan => (long.has(week.id) ? { ...week, windows: OFFICE } : week))
  const [before, after] = [plan, { ...plan, weeks }].map(
    (each) => new PlanPricing({ plan: each, books, month, reading: 'calendar' }),
  ) as [PlanPricing, PlanPricing]
  const found = new Map<string, ScheduleSaving>()
  for (const machine of plan.machines) {
    if (!long.has(machine.week)) continue
    const [was, would] = [before.of(machine), after.of(machine)]
    if (!was.ok || !would.ok) continue
    const { currency } = was.estimate
    const known = found.get(currency) ?? { currency, machines: 0, saved: ZERO }
    found.set(currency, {
      currency,
      machines: known.machines + 1,
      saved: add(known.saved, subtract(was.estimate.total, would.estimate.total)),
    })
  }
  return [...found.values()].filter(({ saved }) => saved.n > 0n)
}

const OFFICE = WORKDAYS.map((day) => ({ day, from: FROM, to: TO }))

const minutesOf = ({ windows }: WeekPlan): number => windows.reduce((sum, { from, to }) => sum + to - from, 0)
