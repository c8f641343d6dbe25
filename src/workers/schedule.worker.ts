import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { calendarTooLarge, MOST_CALENDAR_BYTES } from '../files/calendar/readCalendar.ts'
import { readSchedule } from '../files/timers/readSchedule.ts'
import type { ScheduleAnswer } from './askSchedule.ts'

answerWith(async (file: File) => {
  const answer: ScheduleAnswer =
    file.size > MOST_CALENDAR_BYTES ? refuse(calendarTooLarge(file.size)) : readSchedule(await file.text())
  self.postMessage(answer)
})
