import { askOnce } from './askOnce.ts'
import type { CalendarAnswer, CalendarAsk } from './calendarWorkerProtocol.ts'

/** Reads a calendar file off the page's thread. */
export function askCalendar(ask: CalendarAsk) {
  const worker = new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' })
  return askOnce<CalendarAnswer>(worker, ask, 'Reading the calendar failed. Nothing was changed.')
}
