import { KIND_BYTES, wrongDoor } from '../files/knownKind.ts'
import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { calendarTooLarge, MOST_CALENDAR_BYTES, readCalendar } from '../files/calendar/readCalendar.ts'
import type { CalendarAnswer, CalendarAsk } from './calendarWorkerProtocol.ts'

answerWith(async ({ file, timeZone, within }: CalendarAsk) => {
  const other = wrongDoor(
    new Uint8Array(await file.slice(0, KIND_BYTES).arrayBuffer()),
    file.name,
    'holidays',
  )
  if (other) return self.postMessage(refuse(other))
  const answer: CalendarAnswer =
    file.size > MOST_CALENDAR_BYTES
      ? refuse(calendarTooLarge(file.size))
      : readCalendar(await file.text(), timeZone, within)
  self.postMessage(answer)
})
