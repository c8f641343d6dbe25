'use client'

import { useRef, useState } from 'react'
import type { FileIssue } from '../../files/reading/fileIssue.ts'
import { beginBill } from '../workbench/openBill.ts'
import type { ImportReport } from './importReport.ts'
import { loadImporting } from './loadViews.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

type Current =
  | { readonly at: 'none' }
  | { readonly at: 'reading'; readonly name: string; readonly cancel: () => void }
  | { readonly at: 'table'; readonly name: string; readonly bytes: Uint8Array }

interface Imports {
  readonly current: Current
  readonly reports: readonly ImportReport[]
  readonly take: (files: readonly File[]) => void
  /** The table that is open is done with. */
  readonly closeTable: () => void
  readonly clear: () => void
}

/**
 * Takes files in, one after the other in the order in which they came, each with its report. A plan that is refused is
 * read once more after price books that came with it. A file that is refused changes nothing.
 */
export function useImports(): Imports {
  const workbench = useWorkbench()
  const { address } = workbench
  const [current, setCurrent] = useState<Current>({ at: 'none' })
  const [reports, setReports] = useState<readonly ImportReport[]>([])
  const queue = useRef<File[]>([])
  const isBusy = useRef(false)
  const tableClosed = useRef<() => void>(undefined)

  const reportOf = async (file: File): Promise<ImportReport | 'table' | 'bill'> => {
    try {
      const { importFile } = await loadImporting()
      return await importFile(file, workbench, (cancel) =>
        setCurrent({ at: 'reading', name: file.name, cancel }),
      )
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'The file could not be read.'
      const issue: FileIssue = {
        code: 'not-json',
        pointer: '',
        problem,
        expected: 'a file that can be read.',
      }
      return { name: file.name, issues: [issue] }
    }
  }

  const work = async (): Promise<void> => {
    if (isBusy.current) return
    isBusy.current = true
    const again: File[] = []
    for (let file = queue.current.shift(); file; file = queue.current.shift()) {
      const report = await reportOf(file)
      if (report === 'table') {
        setCurrent({ at: 'table', name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })
        await new Promise<void>((resolve) => (tableClosed.current = resolve))
      } else if (report === 'bill') {
        // Its own screen says what becomes of it.
      } else if ('issues' in report && !again.includes(file) && queue.current.length > 0) {
        // Its provider may be in a file that comes after it.
        again.push(file)
        queue.current.push(file)
      } else {
        setReports((all) => [...all, report])
      }
      setCurrent({ at: 'none' })
    }
    isBusy.current = false
  }

  return {
    current,
    reports,
    take: (files) => {
      // Where a bill is looked for, what is no document of ours is one.
      if (address.view === 'bill' && files.length > 0 && files.every(({ name }) => !/\.json$/i.test(name))) {
        beginBill(files)
        return
      }
      if (!isBusy.current) setReports([])
      queue.current.push(...files)
      void work()
    },
    closeTable: () => tableClosed.current?.(),
    clear: () => setReports([]),
  }
}
