import { billingMonth } from '../calendar/billingMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { weekSpans } from '../calendar/weekSpans.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { lengthOf, type Span } from '../quantity/units.ts'

export const monthOf = (month: string, zone = 'Etc/UTC'): Span => billingMonth(month as YearMonth, zone)

export const inMonth = (week: WeekPlan, month: Span): Span[] =>
  weekSpans(week, month).map(({ from, to }) => ({
    from: Math.max(from, month.from) as Span['from'],
    to: Math.min(to, month.to) as Span['to'],
  }))

export const hours = (spans: readonly Span[]): number =>
  spans.reduce((total, span) => total + lengthOf(span), 0) / 3600
export const utc = (at: number): string => new Date(at * 1000).toISOString().slice(0, 16)
