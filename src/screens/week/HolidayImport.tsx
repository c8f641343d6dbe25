'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { dayOf } from '../../core/calendar/civil.ts'
import { isWeekException, MOST_EXCEPTIONS, type WeekException } from '../../core/calendar/weekException.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { yearMonthParts } from '../../core/calendar/yearMonth.ts'
import type { CalendarDates, CalendarEvent, DateRange } from '../../files/calendar/calendarDates.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { calendarAsker } from '../../workers/askers.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ReadFileDialog } from './ReadFileDialog'
import { datesText, DOES_TEXT } from './exceptionText.ts'

interface HolidayImportProps {
  readonly week: WeekPlan
  readonly onTake: (exceptions: readonly WeekException[], file: string) => void
  readonly onClose: () => void
}

type Meaning = WeekException['does'] | 'ignored'

/** Years from the plan's month on that are read: a calendar often repeats its holidays for ever. */
const YEARS = 3

/** Takes public holidays and shut-downs out of an iCalendar file; each event stays off, runs through, or is left out. */
export function HolidayImport({ week, onTake, onClose }: HolidayImportProps) {
  const { month } = useWorkbench()
  const { year, month: number } = yearMonthParts(month)
  const within = { from: dayOf(year, number, 1), to: dayOf(year + YEARS, number, 0) }
  return (
    <ReadFileDialog
      title="Exceptions from a calendar file"
      label="Calendar file with holidays"
      intro={`An iCalendar file (.ics), such as public holidays or the company’s shut-downs. Its events become dates of ${week.timeZone}, for ${YEARS} years. You choose what each one means.`}
      expected="an iCalendar file."
      ask={(file) => calendarAsker().askOnce({ file, timeZone: week.timeZone, within })}
      onClose={onClose}
    >
      {(dates, file) => (
        <ChooseEvents
          key={file}
          file={file}
          dates={dates}
          within={within}
          room={MOST_EXCEPTIONS - week.exceptions.length}
          onTake={(exceptions) => {
            onTake(exceptions, file)
            onClose()
          }}
        />
      )}
    </ReadFileDialog>
  )
}

interface ChooseEventsProps {
  readonly file: string
  readonly dates: CalendarDates
  readonly within: DateRange
  /** How many exceptions the week can still take. */
  readonly room: number
  readonly onTake: (exceptions: readonly WeekException[]) => void
}

/** Says both which years were looked at and which the file has. */
const nothingText = (within: DateRange, covers: DateRange | undefined): string =>
  covers
    ? `no events from ${datesText(within)}. Its events are from ${datesText(covers)}.`
    : 'no events that have a date.'

const MEANINGS = [
  { id: 'off', name: DOES_TEXT.off },
  { id: 'on', name: DOES_TEXT.on },
  { id: 'ignored', name: 'ignored' },
]

/** More are read and taken, but not listed: choose for all of them at once. */
const LISTED = 200

function ChooseEvents({ file, dates: { events, covers, notes }, within, room, onTake }: ChooseEventsProps) {
  const [meanings, setMeanings] = useState<ReadonlyMap<CalendarEvent, Meaning>>(new Map())
  // A day without work is written as a whole day; meetings have times.
  const meaningOf = (event: CalendarEvent): Meaning =>
    meanings.get(event) ?? (event.allDay ? 'off' : 'ignored')
  const exceptions = useMemo(
    () =>
      events.flatMap((event) => {
        const does = meanings.get(event) ?? (event.allDay ? 'off' : 'ignored')
        if (does === 'ignored') return []
        return event.dates
          .map((range): WeekException => ({ ...range, does, name: event.name }))
          .filter(isWeekException)
      }),
    [events, meanings],
  )
  const setAll = (meaning: Meaning): void => setMeanings(new Map(events.map((event) => [event, meaning])))
  const isTooMany = exceptions.length > room
  return (
    <>
      <p>
        {file}: {events.length === 0 ? nothingText(within, covers) : `${events.length} events.`}
      </p>
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      {events.length > 0 && (
        <>
          <All>
            All of them:{' '}
            {MEANINGS.map(({ id, name }) => (
              <Button key={id} onPress={() => setAll(id as Meaning)}>
                {name}
              </Button>
            ))}
          </All>
          <Events aria-label="Events of the calendar">
            {events.slice(0, LISTED).map((event, i) => (
              <li key={i}>
                <Dropdown
                  label={`What ${event.name} means`}
                  value={meaningOf(event)}
                  options={MEANINGS}
                  onChange={(next) => setMeanings(new Map(meanings).set(event, next as Meaning))}
                />
                <span>
                  <b>{event.name}</b> {datesText(event.dates[0]!)}
                  {event.dates.length > 1 && `, and ${event.dates.length - 1} more`}
                  {!event.allDay && ', with times'}
                </span>
              </li>
            ))}
          </Events>
          {events.length > LISTED && <p>{events.length - LISTED} more events are not listed.</p>}
        </>
      )}
      {isTooMany && (
        <p>
          These are {exceptions.length} exceptions; the week can take {room} more. Ignore some.
        </p>
      )}
      <Button isDisabled={exceptions.length === 0 || isTooMany} onPress={() => onTake(exceptions)}>
        {`Take ${exceptions.length} ${exceptions.length === 1 ? 'exception' : 'exceptions'}`}
      </Button>
    </>
  )
}

const All = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
`

const Events = styled.ul`
  max-height: 320px;
  overflow: auto;
  border-block: 1px solid var(--rule);

  li {
    display: flex;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
  }
  b {
    font-weight: 600;
  }
`
