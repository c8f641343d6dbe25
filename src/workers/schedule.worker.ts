import { KIND_BYTES, wrongDoor } from '../files/knownKind.ts'
import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { calendarTooLarge, MOST_CALENDAR_BYTES } from '../files/calendar/readCalendar.ts'
import { readSchedule } from '../files/timers/readSchedule.ts'
import type { ScheduleAnswer } from './askSchedule.ts'

answerWith(async (file: File) => {
  const other = wrongDoor(
    new Uint8Array(await file.slice(0, KIND_BYTES).arrayBuffer()),
    file.name,
    'schedule',
  )
  if (other) return self.postMessage(refuse(other))
  const answer: ScheduleAnswer =
    file.size > MOST_CALENDAR_BYTES ? refuse(calendarTooLarge(file.size)) : readSchedule(await file.text())
  self.postMessage(answer)
})
