import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { WeekFile } from '../plan/weekFile.ts'
import { toWeekFile } from '../plan/planDocument.ts'

/** The week that a schedule carries along to become one again; what a person guesses of their habits is not part of it. */
export const carriedWeek = ({ habits: _, ...week }: WeekPlan): WeekFile => toWeekFile(week)
