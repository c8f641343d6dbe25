import { refuse } from '../core/outcome.ts'
import { calendarTooLarge, MOST_CALENDAR_BYTES, readCalendar } from '../files/calendar/readCalendar.ts'
import type { CalendarAnswer, CalendarAsk } from './calendarWorkerProtocol.ts'

self.onmessage = async ({ data: { file, timeZone, within } }: MessageEvent<CalendarAsk>) => {
  const answer: CalendarAnswer =
    file.size > MOST_CALENDAR_BYTES
      ? refuse(calendarTooLarge(file.size))
      : readCalendar(await file.text(), timeZone, within)
  self.postMessage(answer)
}
