'use client'

import { useId, type ClipboardEvent, type KeyboardEvent } from 'react'
import styled from 'styled-components'
import { media } from './theme/media'

interface SheetCellProps {
  readonly label: string
  /** Row and column, by which the sheet finds it. */
  readonly at: string
  readonly text: string
  readonly problem: string | undefined
  /** What is said of what was taken. */
  readonly note: string | undefined
  readonly isNumber: boolean
  /** Whether Tab comes to it. */
  readonly isReached: boolean
  readonly onText: (text: string) => void
  readonly onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void
  readonly onPaste: (event: ClipboardEvent<HTMLInputElement>) => void
}

/** A field of a sheet, with what is wrong with it below. */
export function SheetCell({
  label,
  at,
  text,
  problem,
  note,
  isNumber,
  isReached,
  onText,
  onKeyDown,
  onPaste,
}: SheetCellProps) {
  const id = useId()
  return (
    <Cell role="gridcell">
      <Field
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined && note === undefined ? undefined : id}
        data-at={at}
        tabIndex={isReached ? 0 : -1}
        autoComplete="off"
        spellCheck={false}
        inputMode={isNumber ? 'decimal' : undefined}
        value={text}
        $isNumber={isNumber}
        onChange={({ target }) => onText(target.value)}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
      />
      {problem !== undefined && <Problem id={id}>{problem}</Problem>}
      {problem === undefined && note !== undefined && <Note id={id}>{note}</Note>}
    </Cell>
  )
}

const Cell = styled.span`
  min-width: 0;
  border-right: 1px solid var(--rule);
`

const Field = styled.input<{ readonly $isNumber: boolean }>`
  width: 100%;
  min-height: 28px;
  ${media.coarse} {
    min-height: 44px;
  }
  padding: 3px 8px;
  border: 0;
  border-radius: 0;
  background: transparent;
  text-align: ${({ $isNumber }) => ($isNumber ? 'right' : 'left')};

  &:focus {
    outline: 2px solid var(--focus);
    outline-offset: -2px;
  }
  &[aria-invalid='true'] {
    color: var(--leak);
  }
`

const Note = styled.span`
  display: block;
  padding: 0 8px 3px;
  font-size: 11px;
  color: var(--ink-2);
`

const Problem = styled.span`
  display: block;
  padding: 0 8px 3px;
  font-size: 11px;
  color: var(--leak);
`
