import type { Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/fileIssue.ts'
import type { ScheduledWeek } from '../files/timers/readSchedule.ts'
import { askOnce } from './askOnce.ts'

export type ScheduleAnswer = Outcome<ScheduledWeek, FileIssue>

/** Reads a schedule file off the page's thread. */
export function askSchedule(file: File) {
  const worker = new Worker(new URL('./schedule.worker.ts', import.meta.url), { type: 'module' })
  return askOnce<ScheduleAnswer>(worker, file, 'Reading the schedule failed. Nothing was changed.')
}
