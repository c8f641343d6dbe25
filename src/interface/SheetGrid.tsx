'use client'

import { useEffect, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import styled from 'styled-components'
import { decidedCells } from '../core/table/decimalMark.ts'
import { VisuallyHidden } from './VisuallyHidden'
import { Button } from './Button'
import type { SheetColumn } from './sheetColumn.ts'
import { SheetLine, SheetRowBox as Row } from './SheetLine'
import { useSheetRows, type SheetChange, type SheetRow, type UnfinishedRows } from './useSheetRows.ts'

/** More rows than this are drawn when they are asked for. */
const ROWS_DRAWN = 120

interface SheetGridProps {
  readonly label: string
  readonly columns: readonly SheetColumn[]
  readonly rows: readonly SheetRow[]
  /** What a row is called: "size". */
  readonly noun: string
  /** Counts up where rows were changed by other than this sheet, as by undo. */
  readonly version: number
  readonly unfinished?: UnfinishedRows
  /** Takes the focus when it appears without rows. */
  readonly autoFocus?: boolean
  /** Takes a row as it reads now; `id` is absent for one that was not there. */
  readonly onRow: (id: string | undefined, cells: readonly string[]) => SheetChange
  /** Absent where rows are neither added nor removed. */
  readonly onRemove?: (id: string) => void
}

/** What other cells of its column decide of a figure that could be read in two ways is decided. */
function decidedBlock(block: readonly (readonly string[])[]): string[][] {
  const width = Math.max(0, ...block.map((row) => row.length))
  const columns = Array.from({ length: width }, (_, i) => decidedCells(block.map((row) => row[i] ?? '')))
  return block.map((row, at) => row.map((_, i) => columns[i]![at]!))
}

/**
 * Rows that are typed as on a sheet: Tab and Enter go on, arrows go around, a block is pasted where it belongs, and the
 * last row is always empty. A row that is not whole yet stays as it was typed, and says what is missing.
 */
export function SheetGrid({
  label,
  columns,
  rows,
  noun,
  version,
  unfinished,
  autoFocus = false,
  onRow,
  onRemove,
}: SheetGridProps) {
  const body = useRef<HTMLDivElement>(null)
  const { shown, type, paste, leave, remove } = useSheetRows({
    rows,
    columns: columns.length,
    version,
    ...(unfinished && { unfinished }),
    onRow,
    ...(onRemove && { onRemove }),
  })
  const focus = (row: number, column: number): void => {
    const field = body.current?.querySelector<HTMLInputElement>(`[data-at="${row},${column}"]`)
    field?.focus()
    field?.select()
  }
  // One row is reached by Tab: the one that was last in use, else the empty one.
  const [used, setUsed] = useState<number>()
  const [find, setFind] = useState('')
  const [most, setMost] = useState(ROWS_DRAWN)
  const active = Math.min(used ?? shown.length - 1, shown.length - 1)
  const [begins] = useState(autoFocus && rows.length === 0)
  useEffect(() => {
    if (begins) body.current?.querySelector('input')?.focus()
  }, [begins])
  const wanted = find.trim().toLowerCase()
  const found = shown
    .map((row, at) => ({ row, at }))
    .filter(({ row }) => row.isNew || wanted === '' || row.cells[0]!.toLowerCase().includes(wanted))
  // What is typed and the empty row are always there.
  const drawn = found.filter(({ row, at }, i) => i < most || row.isNew || row.isTyped || at === active)
  /** The row that is drawn so many before or after another. */
  const beside = (row: number, steps: number): number =>
    drawn[drawn.findIndex(({ at }) => at === row) + steps]?.at ?? row
  const onKey = (event: KeyboardEvent<HTMLInputElement>, row: number, column: number): void => {
    const field = event.currentTarget
    const { selectionStart: start, selectionEnd: end, value } = field
    const isWhole = start === 0 && end === value.length
    const moves: Record<string, readonly [number, number] | undefined> = {
      ArrowUp: [beside(row, -1), column],
      ArrowDown: [beside(row, 1), column],
      Enter: [beside(row, event.shiftKey ? -1 : 1), event.shiftKey ? column : 0],
      ...((isWhole || end === 0) && { ArrowLeft: [row, column - 1] }),
      ...((isWhole || start === value.length) && { ArrowRight: [row, column + 1] }),
    }
    // Behind what was just typed comes the next row, and not the button that removes this one.
    const goesOn = shown[row]?.isTyped && column === columns.length - 1
    if (event.key === 'Tab' && !event.shiftKey && goesOn) moves.Tab = [beside(row, 1), 0]
    const to = new Map(Object.entries(moves)).get(event.key)
    if (!to || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    // Enter goes to the next row's beginning from its end, and down its column from elsewhere.
    const isEnd = event.key === 'Enter' && !event.shiftKey && column < columns.length - 1
    focus(to[0], isEnd ? column : to[1])
  }
  const onPaste = (event: ClipboardEvent<HTMLInputElement>, row: number, column: number): void => {
    const text = event.clipboardData.getData('text/plain')
    if (!/[\t\n]/.test(text.trim())) return
    event.preventDefault()
    const block = text
      .replace(/\r\n?/g, '\n')
      .replace(/\n$/, '')
      .split('\n')
      .map((line) => line.split('\t'))
    paste(row, column, decidedBlock(block))
  }
  const tracks = `${columns.map(({ width }) => width).join(' ')} minmax(max(28px, var(--target)), max-content)`
  return (
    <>
      {rows.length > ROWS_DRAWN && (
        <Find
          type="search"
          aria-label={`Find a ${noun}`}
          placeholder={`Find a ${noun} among ${rows.length}`}
          value={find}
          onChange={({ target }) => setFind(target.value)}
        />
      )}
      <Sheet
        role="grid"
        aria-label={label}
        aria-rowcount={shown.length + 1}
        style={{ gridTemplateColumns: tracks }}
      >
        <Row role="row">
          {columns.map(({ id, head, isNumber }) => (
            <Head key={id} role="columnheader" $isNumber={isNumber}>
              {head}
            </Head>
          ))}
          <Head role="columnheader">{onRemove && <VisuallyHidden>Delete</VisuallyHidden>}</Head>
        </Row>
        <Body ref={body} role="rowgroup">
          {drawn.map(({ row, at }) => (
            <SheetLine
              key={row.key}
              row={row}
              at={at}
              isActive={at === active}
              onUse={setUsed}
              columns={columns}
              noun={noun}
              onType={type}
              onKey={onKey}
              onPaste={onPaste}
              onLeave={leave}
              {...(onRemove && { onRemove: remove })}
            />
          ))}
        </Body>
      </Sheet>
      {found.length > drawn.length && (
        <Button onPress={() => setMost(most * 4)}>Show more of {found.length - drawn.length} below</Button>
      )}
    </>
  )
}

const Find = styled.input`
  min-width: 220px;
  min-height: 28px;
  margin-bottom: 6px;
  padding: 3px 8px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
`

const Sheet = styled.div`
  display: grid;
  min-width: 0;
  border-bottom: 1px solid var(--rule);
`

const Body = styled.div`
  display: contents;
`

const Head = styled.span<{ readonly $isNumber?: boolean | undefined }>`
  padding: 3px 8px;
  font-size: 12px;
  color: var(--ink-2);
  text-align: ${({ $isNumber }) => ($isNumber ? 'right' : 'left')};
`
