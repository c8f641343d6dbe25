'use client'

import { useRef, useState, type ClipboardEvent } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { htmlRows } from './htmlRows.ts'
import { beginList } from './openList.ts'

const MOST_PAGE_BYTES = 32 * 1024 * 1024

/** The ways in for lists: a file, or a table from the clipboard. */
export function OpenListButtons() {
  const picker = useRef<HTMLInputElement>(null)
  const [isPasting, setIsPasting] = useState(false)
  const [problem, setProblem] = useState<string>()
  const take = async (file: File): Promise<void> => {
    setProblem(undefined)
    if (!/\.html?$/i.test(file.name)) return beginList(file.name, { kind: 'file', file, name: file.name })
    if (file.size > MOST_PAGE_BYTES)
      return setProblem('A saved page may have 32 MiB. Paste its table instead.')
    const rows = htmlRows(await file.text())
    if (rows.length === 0) return setProblem(`${file.name} has no table. Paste the prices instead.`)
    beginList(file.name, { kind: 'rows', rows })
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
        accept=".csv,.tsv,.txt,.json,.ndjson,.jsonl,.gz,.html,.htm"
        onChange={({ target }) => {
          const [file] = target.files ?? []
          target.value = ''
          if (file) void take(file)
        }}
      />
      {problem && <Problem role="alert">{problem}</Problem>}
      {isPasting && <PasteDialog onClose={() => setIsPasting(false)} />}
    </>
  )
}

function PasteDialog({ onClose }: { readonly onClose: () => void }) {
  const [problem, setProblem] = useState<string>()
  const take = (html: string, text: string): void => {
    const rows = html === '' ? [] : htmlRows(html)
    const plain = text
      .replace(/\r\n?/g, '\n')
      .split('\n')
      .map((line) => line.split('\t'))
    const found = rows.length > 1 ? rows : plain
    if (found.length < 2 || Math.max(...found.map((row) => row.length)) < 2) {
      return setProblem('That is no table: copy its rows with their headings from a page or a spreadsheet.')
    }
    beginList('Pasted table', { kind: 'rows', rows: found })
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
