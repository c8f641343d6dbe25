'use client'

import { useRef, useState, type ReactNode } from 'react'
import type { Outcome } from '../../core/outcome.ts'
import type { FileIssue } from '../../files/reading/fileIssue.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import type { Asked } from '../../workers/questions.ts'
import { IssueList } from '../workbench/IssueList'

interface ReadFileDialogProps<T> {
  readonly title: string
  /** What a screen reader hears of the choice of a file. */
  readonly label: string
  /** What kind of file it should be, and what becomes of it. */
  readonly intro: ReactNode
  /** Kinds of files that are offered; calendars where it is absent. */
  readonly accept?: string
  /** Of a file that could not be read at all. */
  readonly expected: string
  readonly ask: (file: File) => Asked<Outcome<T, FileIssue>>
  readonly onClose: () => void
  /** What was read, to be looked at and taken. */
  readonly children: (read: T, file: string) => ReactNode
}

type Progress<T> =
  | { readonly at: 'choosing' }
  | { readonly at: 'reading'; readonly file: string; readonly cancel: () => void }
  | { readonly at: 'refused'; readonly file: string; readonly issues: readonly FileIssue[] }
  | { readonly at: 'read'; readonly file: string; readonly value: T }

/** A file is chosen, read in a worker that can be given up, and either refused with reasons or shown. */
export function ReadFileDialog<T>({
  title,
  label,
  intro,
  accept = '.ics,text/calendar',
  expected,
  ask,
  onClose,
  children,
}: ReadFileDialogProps<T>) {
  const input = useRef<HTMLInputElement>(null)
  const [progress, setProgress] = useState<Progress<T>>({ at: 'choosing' })
  const read = async (file: File): Promise<void> => {
    const { answer, cancel } = ask(file)
    setProgress({ at: 'reading', file: file.name, cancel })
    try {
      const outcome = await answer
      if (!outcome.ok) setProgress({ at: 'refused', file: file.name, issues: outcome.issues })
      else setProgress({ at: 'read', file: file.name, value: outcome.value })
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'The file could not be read.'
      const issue: FileIssue = { code: 'other-kind', pointer: '', problem, expected }
      setProgress({ at: 'refused', file: file.name, issues: [issue] })
    }
  }
  const close = (): void => {
    if (progress.at === 'reading') progress.cancel()
    onClose()
  }
  return (
    <Dialog title={title} isOpen onClose={close}>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) void read(file)
          event.target.value = ''
        }}
      />
      {progress.at === 'choosing' && <p>{intro}</p>}
      {progress.at === 'reading' && <p role="status">Reading {progress.file}…</p>}
      {progress.at === 'refused' && (
        <>
          <p>{progress.file} was not read. Nothing was changed.</p>
          <IssueList issues={progress.issues} />
        </>
      )}
      {progress.at === 'read' ? (
        children(progress.value, progress.file)
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
