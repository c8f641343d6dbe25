'use client'

import { formatDate } from '../../core/calendar/civil.ts'
import type { ScheduledWeek } from '../../files/timers/readSchedule.ts'
import { Button } from '../../interface/Button'
import { weekText } from '../../wording/week'
import { scheduleAsker } from '../../workers/askers.ts'
import { ReadFileDialog } from './ReadFileDialog'

interface ScheduleImportProps {
  readonly onTake: (week: ScheduledWeek) => void
  readonly onClose: () => void
}

/** Makes a week of a schedule that was exported as a calendar, exactly as it switches, or says why it cannot. */
export const ScheduleImport = ({ onTake, onClose }: ScheduleImportProps) => (
  <ReadFileDialog
    title="New week from a schedule file"
    label="Schedule file"
    intro="A calendar (.ics) or schedule feed (.schedule.json) exported here becomes a week again. Unchanged files bring their auto-shutdown and holidays along."
    accept=".ics,.json,text/calendar,application/json"
    expected="an exported schedule."
    ask={(file) => scheduleAsker().askOnce({ file })}
    onClose={onClose}
  >
    {(week) => (
      <>
        <p>
          <b>{week.name}</b>, {weekText(week)}, {week.timeZone}, {formatDate(week.from)} to{' '}
          {formatDate(week.to)},{' '}
          {week.exceptions.length === 1 ? '1 exception.' : `${week.exceptions.length} exceptions.`} Between
          these dates it switches exactly as the file does.
        </p>
        <Button
          autoFocus
          onPress={() => {
            onTake(week)
            onClose()
          }}
        >
          Make it a week for this machine
        </Button>
      </>
    )}
  </ReadFileDialog>
)
