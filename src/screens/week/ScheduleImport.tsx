'use client'

import { useRef, useState } from 'react'
import { formatDate } from '../../core/calendar/civil.ts'
import type { FileIssue } from '../../files/fileIssue.ts'
import type { ScheduledWeek } from '../../files/timers/readSchedule.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { weekText } from '../../interface/wording/week'
import { askSchedule } from '../../workers/askSchedule.ts'
import { IssueList } from '../workbench/IssueList'

interface ScheduleImportProps {
  readonly onTake: (week: ScheduledWeek) => void
  readonly onClose: () => void
}

type Progress =
  | { readonly at: 'choosing' }
  | { readonly at: 'reading'; readonly file: string; readonly cancel: () => void }
  | { readonly at: 'refused'; readonly file: string; readonly issues: readonly FileIssue[] }
  | { readonly at: 'read'; readonly file: string; readonly week: ScheduledWeek }

/** Makes a week of a schedule that was exported as a calendar, exactly as it switches, or says why it cannot. */
export function ScheduleImport({ onTake, onClose }: ScheduleImportProps) {
  const input = useRef<HTMLInputElement>(null)
  const [progress, setProgress] = useState<Progress>({ at: 'choosing' })
  const read = async (file: File): Promise<void> => {
    const { answer, cancel } = askSchedule(file)
    setProgress({ at: 'reading', file: file.name, cancel })
    try {
      const outcome = await answer
      if (!outcome.ok) setProgress({ at: 'refused', file: file.name, issues: outcome.issues })
      else setProgress({ at: 'read', file: file.name, week: outcome.value })
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'The file could not be read.'
      const issue: FileIssue = { code: 'other-kind', pointer: '', problem, expected: 'an exported schedule.' }
      setProgress({ at: 'refused', file: file.name, issues: [issue] })
    }
  }
  const close = (): void => {
    if (progress.at === 'reading') progress.cancel()
    onClose()
  }
  return (
    <Dialog title="New week from a schedule file" isOpen onClose={close}>
      <input
        ref={input}
        type="file"
        accept=".ics,text/calendar"
        hidden
        aria-label="Schedule file"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) void read(file)
          event.target.value = ''
        }}
      />
      {progress.at === 'choosing' && (
        <p>A calendar (.ics) that was exported from a week here: its starts and stops become a week again.</p>
      )}
      {progress.at === 'reading' && <p role="status">Reading {progress.file}…</p>}
      {progress.at === 'refused' && (
        <>
          <p>{progress.file} was not read. Nothing was changed.</p>
          <IssueList issues={progress.issues} />
        </>
      )}
      {progress.at === 'read' ? (
        <>
          <p>
            <b>{progress.week.name}</b>, {weekText(progress.week)}, {progress.week.timeZone},{' '}
            {formatDate(progress.week.from)} to {formatDate(progress.week.to)},{' '}
            {progress.week.exceptions.length === 1
              ? '1 exception.'
              : `${progress.week.exceptions.length} exceptions.`}{' '}
            Between these dates it switches exactly as the file does.
          </p>
          <Button
            autoFocus
            onPress={() => {
              onTake(progress.week)
              onClose()
            }}
          >
            Make it a week for this machine
          </Button>
        </>
      ) : progress.at === 'reading' ? (
        <Button onPress={close}>Cancel</Button>
      ) : (
        <Button onPress={() => input.current?.click()} autoFocus>
          Choose a file…
        </Button>
      )}
    </Dialog>
  )
}
