'use client'

import type { ClipboardEvent, KeyboardEvent } from 'react'
import styled from 'styled-components'
import { media } from './theme/media'
import { SheetCell } from './SheetCell'
import type { SheetColumn } from './sheetColumn.ts'
import type { ShownRow } from './useSheetRows.ts'

interface SheetLineProps {
  readonly row: ShownRow
  readonly at: number
  readonly isActive: boolean
  readonly onUse: (at: number) => void
  readonly columns: readonly SheetColumn[]
  readonly noun: string
  readonly onType: (at: number, column: number, text: string) => void
  readonly onKey: (event: KeyboardEvent<HTMLInputElement>, row: number, column: number) => void
  readonly onPaste: (event: ClipboardEvent<HTMLInputElement>, row: number, column: number) => void
  readonly onLeave: (at: number) => void
  readonly onRemove?: (at: number) => void
}

/** A row of a sheet. */
export function SheetLine({
  row,
  at,
  isActive,
  onUse,
  columns,
  noun,
  onType,
  onKey,
  onPaste,
  onLeave,
  onRemove,
}: SheetLineProps) {
  const name = row.cells[0] === '' ? `new ${noun}` : row.cells[0]!
  return (
    <SheetRowBox
      role="row"
      onFocus={() => onUse(at)}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) onLeave(at)
      }}
    >
      {columns.map((column, i) => (
        <SheetCell
          key={column.id}
          label={`${column.label}, ${name}`}
          at={`${at},${i}`}
          text={row.cells[i] ?? ''}
          problem={row.problems[i]}
          note={row.notes?.[i]}
          isNumber={column.isNumber ?? false}
          isReached={isActive}
          onText={(text) => onType(at, i, text)}
          onKeyDown={(event) => onKey(event, at, i)}
          onPaste={(event) => onPaste(event, at, i)}
        />
      ))}
      <Last role="gridcell">
        {!row.isBlank && onRemove && (
          <Remove
            type="button"
            tabIndex={isActive ? 0 : -1}
            aria-label={`Delete ${name}`}
            onClick={() => onRemove(at)}
          >
            ×
          </Remove>
        )}
      </Last>
    </SheetRowBox>
  )
}

export const SheetRowBox = styled.div`
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: subgrid;
  border-top: 1px solid var(--rule);
  align-items: start;
`

const Last = styled.span`
  display: grid;
  place-items: center;
`

const Remove = styled.button`
  min-width: 28px;
  min-height: 28px;
  ${media.coarse} {
    min-width: 44px;
    min-height: 44px;
  }
  border: 0;
  background: none;
  color: var(--ink-2);
  cursor: pointer;

  &:hover {
    color: var(--leak);
  }
`
