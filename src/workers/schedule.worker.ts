import { calendarTooLarge, MOST_CALENDAR_BYTES } from '../files/calendar/readCalendar.ts'
import { readSchedule } from '../files/timers/readSchedule.ts'
import { answerQuestions } from './answerQuestions.ts'
import { readFileOf } from './readFileOf.ts'

answerQuestions(async ({ file }: { readonly file: File }) => {
  const text = await readFileOf(file, {
    door: 'schedule',
    mostBytes: MOST_CALENDAR_BYTES,
    tooLarge: calendarTooLarge,
  })
  return text.ok ? readSchedule(text.value) : text
})
