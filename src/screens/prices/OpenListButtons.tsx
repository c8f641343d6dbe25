'use client'

import { useRef, useState, type ClipboardEvent } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { beginList } from './openList.ts'

/** The ways in for lists: a file, or a table from the clipboard. */
export function OpenListButtons() {
  const picker = useRef<HTMLInputElement>(null)
  const [isPasting, setIsPasting] = useState(false)
  const take = (files: readonly File[]): void => {
    const [first] = files
    if (!first) return
    const names = files.map(({ name }) => name).join(', ')
    beginList(
      files.length === 1 ? first.name : sharedName(files.map(({ name }) => name)),
      {
        kind: 'files',
        files: files.map((file) => ({ name: file.name, file })),
      },
      names,
    )
  }
  return (
    <>
      <Button onPress={() => picker.current?.click()}>Open a price list…</Button>
      <Button onPress={() => setIsPasting(true)}>Paste a table…</Button>
      <input
        ref={picker}
        type="file"
        hidden
        data-testid="list-file"
        multiple
        accept=".csv,.tsv,.txt,.json,.ndjson,.jsonl,.xlsx,.ods,.gz,.zip,.html,.htm"
        onChange={({ target }) => {
          const files = [...(target.files ?? [])]
          target.value = ''
          take(files)
        }}
      />
      {isPasting && <PasteDialog onClose={() => setIsPasting(false)} />}
    </>
  )
}

/** What the names of several files begin with alike. */
function sharedName(names: readonly string[]): string {
  const [first = ''] = names
  let length = 0
  while (length < first.length && names.every((name) => name[length] === first[length])) length += 1
  const shared = first.slice(0, length).replace(/[-_\s.]+$/, '')
  return shared === '' ? first : shared
}

function PasteDialog({ onClose }: { readonly onClose: () => void }) {
  const [problem, setProblem] = useState<string>()
  const take = (html: string, text: string): void => {
    if (/<table/i.test(html)) {
      beginList('Pasted table', { kind: 'files', files: [{ name: 'pasted.html', file: new Blob([html]) }] })
      return onClose()
    }
    const rows = text
      .replace(/\r\n?/g, '\n')
      .split('\n')
      .map((line) => line.split('\t'))
    if (rows.length < 2 || Math.max(...rows.map((row) => row.length)) < 2) {
      return setProblem('That is no table: copy its rows with their headings from a page or a spreadsheet.')
    }
    beginList('Pasted table', { kind: 'tables', tables: [{ name: 'table', rows }] })
    onClose()
  }
  return (
    <Dialog title="Paste a table" isOpen onClose={onClose}>
      <p>Copy a table with its headings from a page or a spreadsheet, and paste it here (Ctrl V).</p>
      <Field
        aria-label="Paste a table here"
        autoFocus
        rows={4}
        onPaste={(event: ClipboardEvent) => {
          event.preventDefault()
          take(event.clipboardData.getData('text/html'), event.clipboardData.getData('text/plain'))
        }}
      />
      {problem && <Problem role="alert">{problem}</Problem>}
    </Dialog>
  )
}

const Field = styled.textarea`
  width: 100%;
  min-width: min(420px, 80vw);
  font: inherit;
  padding: 6px 8px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
  color: inherit;
`

const Problem = styled.p`
  color: var(--leak);
`
