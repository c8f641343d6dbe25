'use client'

import { useCallback, useRef, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { lazyDialog } from '../../interface/lazyDialog'
import { ChooseFile } from '../workbench/ChooseFile'
import { IssueList } from '../workbench/IssueList'
import { useDroppedFiles } from './useDroppedFiles'
import { useImports } from './useImports'

const InventoryDialog = lazyDialog(() => import('../inventory/InventoryDialog'), 'InventoryDialog')

/** Takes plans, price books and tables in, from the file picker or dropped anywhere; several at a time. */
export function FileImport({ children }: { readonly children: ReactNode }) {
  const { current, reports, take, closeTable, clear } = useImports()
  const [dragging, setDragging] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const choose = useCallback(() => input.current?.click(), [])
  useDroppedFiles(take, setDragging)
  const done = reports.flatMap((report) => ('text' in report ? [report] : []))
  const refused = reports.flatMap((report) => ('issues' in report ? [report] : []))
  const isOver = current.at === 'none'

  return (
    <>
      <ChooseFile value={choose}>{children}</ChooseFile>
      <input
        ref={input}
        type="file"
        multiple
        accept=".json,application/json,.csv,.tsv,.txt,text/csv"
        hidden
        aria-label="Plan, price book or inventory to import"
        onChange={(event) => {
          take([...(event.target.files ?? [])])
          event.target.value = ''
        }}
      />
      {dragging && <DropHint>Drop plans, price books or a table of machines to import them</DropHint>}
      {current.at === 'table' && (
        <InventoryDialog name={current.name} bytes={current.bytes} onClose={closeTable} />
      )}
      <Toast role="status">
        {current.at === 'reading' && (
          <Line>
            Reading {current.name}…<Button onPress={current.cancel}>Cancel</Button>
          </Line>
        )}
        {isOver && refused.length === 0 && done.length > 0 && (
          <Lines>
            {done.map(({ name, text, takeBack }, i) => (
              <Line key={`${name} ${i}`}>
                {text}
                {takeBack && (
                  <Button
                    onPress={() => {
                      takeBack()
                      clear()
                    }}
                  >
                    Take it out again
                  </Button>
                )}
                {i === done.length - 1 && <Button onPress={clear}>Close</Button>}
              </Line>
            ))}
          </Lines>
        )}
      </Toast>
      <Dialog
        title={refused.length === 1 ? 'The file was not imported' : 'Some files were not imported'}
        isOpen={isOver && refused.length > 0}
        onClose={clear}
      >
        {done.map(({ name, text }) => (
          <p key={name}>{text}</p>
        ))}
        {refused.map(({ name, issues }, i) => (
          <div key={`${name} ${i}`}>
            <p>
              {name} has {issues.length === 1 ? 'a problem' : `${issues.length} problems`}. It changed
              nothing.
            </p>
            <IssueList issues={issues} />
          </div>
        ))}
        <Button onPress={clear}>Close</Button>
      </Dialog>
    </>
  )
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

const Lines = styled.div`
  display: grid;
  gap: 4px;
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
