'use client'

import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import type { FileIssue } from '../../files/fileIssue.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { importFile } from '../../workers/importFile.ts'
import { ChooseFile } from './ChooseFile'
import { MOST_INVENTORY_BYTES } from '../../files/inventory/inventoryTable.ts'
import { tooLarge } from '../../files/readJson.ts'
import { InventoryDialog } from '../inventory/InventoryDialog'
import { IssueList } from './IssueList'
import { useWorkbench } from './WorkbenchContext'

type Progress =
  | { readonly at: 'table'; readonly name: string; readonly bytes: Uint8Array }
  | { readonly at: 'none' }
  | { readonly at: 'reading'; readonly name: string; readonly cancel: () => void }
  | { readonly at: 'refused'; readonly name: string; readonly issues: readonly FileIssue[] }
  | { readonly at: 'done'; readonly text: string; readonly takeBack?: () => void }

/** Files that hold a table of machines, by their names. */
const TABLE = /\.(csv|tsv|txt)$/i

/** Takes plans, price books and tables in, from the file picker or dropped anywhere. A file that is refused changes nothing. */
export function FileImport({ children }: { readonly children: ReactNode }) {
  const { session, state, go } = useWorkbench()
  const [progress, setProgress] = useState<Progress>({ at: 'none' })
  const [dragging, setDragging] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const choose = useCallback(() => input.current?.click(), [])
  const take = async (file: File): Promise<void> => {
    if (TABLE.test(file.name)) return takeTable(file)
    const { answer, cancel } = importFile(file, state.books)
    setProgress({ at: 'reading', name: file.name, cancel })
    try {
      const read = await answer
      if (!read.ok) return setProgress({ at: 'refused', name: file.name, issues: read.issues })
      if (read.value.kind === 'book') {
        const { book } = read.value
        const { provider, edition, valid } = book
        const before = state.books.find(
          (other) => other.provider.id === provider.id && other.edition === edition,
        )
        await session.addBook(book)
        const text = `${provider.name}, edition ${edition}, is in use from ${valid.from} on.`
        const takeBack = () => void (before ? session.addBook(before) : session.removeBook(book))
        return setProgress({ at: 'done', text, takeBack })
      }
      const { plan } = read.value
      session.replace(`import ${file.name}`, plan)
      go({ machine: plan.machines[0]?.name, month: plan.month })
      setProgress({ at: 'done', text: `${plan.name} is open. Undo brings the plan before it back.` })
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'The file could not be read.'
      const issue: FileIssue = {
        code: 'not-json',
        pointer: '',
        problem,
        expected: 'a file that can be read.',
      }
      setProgress({ at: 'refused', name: file.name, issues: [issue] })
    }
  }
  const takeTable = async (file: File): Promise<void> => {
    if (file.size > MOST_INVENTORY_BYTES) {
      return setProgress({ at: 'refused', name: file.name, issues: [tooLarge(file.size)] })
    }
    setProgress({ at: 'table', name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })
  }
  useDroppedFiles((file) => void take(file), setDragging)

  return (
    <>
      <ChooseFile value={choose}>{children}</ChooseFile>
      <input
        ref={input}
        type="file"
        accept=".json,application/json,.csv,.tsv,.txt,text/csv"
        hidden
        aria-label="Plan, price book or inventory to import"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) void take(file)
          event.target.value = ''
        }}
      />
      {dragging && <DropHint>Drop a plan, a price book or a table of machines to import it</DropHint>}
      {progress.at === 'table' && (
        <InventoryDialog
          name={progress.name}
          bytes={progress.bytes}
          onClose={() => setProgress({ at: 'none' })}
        />
      )}
      <Toast role="status">
        {progress.at === 'reading' && (
          <Line>
            Reading {progress.name}…
            <Button
              onPress={() => {
                progress.cancel()
                setProgress({ at: 'none' })
              }}
            >
              Cancel
            </Button>
          </Line>
        )}
        {progress.at === 'done' && (
          <Line>
            {progress.text}
            {progress.takeBack && (
              <Button
                onPress={() => {
                  progress.takeBack?.()
                  setProgress({ at: 'none' })
                }}
              >
                Take it out again
              </Button>
            )}
            <Button onPress={() => setProgress({ at: 'none' })}>Close</Button>
          </Line>
        )}
      </Toast>
      <Dialog
        title="The file was not imported"
        isOpen={progress.at === 'refused'}
        onClose={() => setProgress({ at: 'none' })}
      >
        {progress.at === 'refused' && (
          <>
            <p>
              {progress.name} has{' '}
              {progress.issues.length === 1 ? 'a problem' : `${progress.issues.length} problems`}. Nothing was
              changed.
            </p>
            <IssueList issues={progress.issues} />
            <Button onPress={() => setProgress({ at: 'none' })}>Close</Button>
          </>
        )}
      </Dialog>
    </>
  )
}

function useDroppedFiles(onFile: (file: File) => void, onDragging: (dragging: boolean) => void): void {
  const handlers = useRef({ onFile, onDragging })
  useEffect(() => {
    handlers.current = { onFile, onDragging }
  })
  useEffect(() => {
    const holdsFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false
    const over = (event: DragEvent): void => {
      if (!holdsFiles(event)) return
      event.preventDefault()
      handlers.current.onDragging(true)
    }
    const leave = (event: DragEvent): void => {
      if (event.relatedTarget === null) handlers.current.onDragging(false)
    }
    const drop = (event: DragEvent): void => {
      if (!holdsFiles(event)) return
      event.preventDefault()
      handlers.current.onDragging(false)
      const file = event.dataTransfer?.files[0]
      if (file) handlers.current.onFile(file)
    }
    window.addEventListener('dragover', over)
    window.addEventListener('dragleave', leave)
    window.addEventListener('drop', drop)
    return () => {
      window.removeEventListener('dragover', over)
      window.removeEventListener('dragleave', leave)
      window.removeEventListener('drop', drop)
    }
  }, [])
}

const DropHint = styled.div`
  position: fixed;
  inset: 12px;
  z-index: 20;
  display: grid;
  place-items: center;
  font-size: 20px;
  background: color-mix(in srgb, var(--sheet) 90%, transparent);
  border: 2px dashed var(--ink-2);
  pointer-events: none;
`

const Toast = styled.div`
  position: fixed;
  left: 50%;
  bottom: 16px;
  z-index: 15;
  transform: translateX(-50%);
`

const Line = styled.div`
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 8px 12px;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-radius: 3px;
`
