import { calendarTooLarge, MOST_CALENDAR_BYTES, readCalendar } from '../files/calendar/readCalendar.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { CalendarQuestion } from './askers.ts'
import { readFileOf } from './readFileOf.ts'

answerQuestions(async ({ file, timeZone, within }: CalendarQuestion) => {
  const text = await readFileOf(file, {
    door: 'holidays',
    mostBytes: MOST_CALENDAR_BYTES,
    tooLarge: calendarTooLarge,
  })
  return text.ok ? readCalendar(text.value, timeZone, within) : text
})
