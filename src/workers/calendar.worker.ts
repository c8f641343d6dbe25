import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { calendarTooLarge, MOST_CALENDAR_BYTES, readCalendar } from '../files/calendar/readCalendar.ts'
import type { CalendarAnswer, CalendarAsk } from './calendarWorkerProtocol.ts'

answerWith(async ({ file, timeZone, within }: CalendarAsk) => {
  const answer: CalendarAnswer =
    file.size > MOST_CALENDAR_BYTES
      ? refuse(calendarTooLarge(file.size))
      : readCalendar(await file.text(), timeZone, within)
  self.postMessage(answer)
})
