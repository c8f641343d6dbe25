'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { Notch } from '../../core/notches/plate.ts'
import { RowGrid } from '../../interface/RowGrid'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { reasonsText } from '../../wording/reason'
import { changeCount } from '../../wording/forcedChange'
import { ListHead } from './ListHead'
import { WHY_AT, type ShownColumn } from './listColumns.ts'
import { MOST_MARKED, type ListState } from './listState.ts'

interface ListGridProps {
  readonly label: string
  readonly rows: readonly Notch[]
  readonly columns: readonly ShownColumn[]
  readonly list: ListState
  readonly onChange: (part: Partial<ListState>) => void
  readonly onTake: (notch: Notch) => void
}

const ROW_HEIGHT = 26
const MARK_WIDTH = 22
const WHY_WIDTH = 230
const GAP = 10

/** Why a choice is closed, or what else it changes. */
export const whyText = ({ reasons, carried, isPresent }: Notch): string => {
  if (reasons.length > 0) return reasonsText(reasons)
  if (carried && carried.changes.length > 0) return `with ${changeCount(carried.changes.length)}`
  return isPresent ? 'now' : ''
}

/** Arrow keys go along, Space marks a row, Enter or a press takes it. */
export function ListGrid({ label, rows, columns, list, onChange, onTake }: ListGridProps) {
  const [activeKey, setActiveKey] = useState<string>()
  const present = rows.findIndex(({ isPresent }) => isPresent)
  const found = activeKey === undefined ? -1 : rows.findIndex(({ key }) => key === activeKey)
  const active = found >= 0 ? found : present >= 0 ? present : rows.length > 0 ? 0 : undefined
  const tracks = [MARK_WIDTH, ...widthsOf(columns)]
  const mark = (index: number): void => {
    const { key } = rows[index]!
    const marked = new Set(list.marked)
    if (!marked.delete(key) && marked.size < MOST_MARKED) marked.add(key)
    onChange({ marked })
  }
  return (
    <RowGrid
      label={label}
      count={rows.length}
      rowHeight={ROW_HEIGHT}
      columns={() => tracks.map((width) => `${width}px`).join(' ')}
      leastWidth={tracks.reduce((sum, width) => sum + width + GAP, 20)}
      head={<ListHead columns={columns} list={list} onChange={onChange} />}
      active={active}
      autoFocus
      onActive={(index) => setActiveKey(rows[index]!.key)}
      onAction={(index) => onTake(rows[index]!)}
      actsOnPress
      onMark={mark}
      isMarked={(index) => list.marked.has(rows[index]!.key)}
      whenEmpty="Nothing passes these filters."
      renderRow={(index) => (
        <Cells notch={rows[index]!} columns={columns} marked={list.marked} onMark={() => mark(index)} />
      )}
    />
  )
}

const widthsOf = (columns: readonly ShownColumn[]): number[] => {
  const widths = columns.map(({ width }) => width)
  return [...widths.slice(0, WHY_AT), WHY_WIDTH, ...widths.slice(WHY_AT)]
}

interface CellsProps {
  readonly notch: Notch
  readonly columns: readonly ShownColumn[]
  readonly marked: ReadonlySet<string>
  readonly onMark: () => void
}

function Cells({ notch, columns, marked, onMark }: CellsProps) {
  const isClosed = notch.reasons.length > 0 || !notch.total
  const why = whyText(notch)
  const cell = ({ id, kind, textOf }: ShownColumn) => (
    <Cell key={id} role="gridcell" $right={kind !== 'text'} $closed={isClosed} $name={id === 'name'}>
      {textOf(notch)}
    </Cell>
  )
  return (
    <>
      <Mark
        role="gridcell"
        onClick={(event) => {
          event.stopPropagation()
          onMark()
        }}
      >
        <svg width="12" height="12" aria-hidden="true">
          <rect x="0.5" y="0.5" width="11" height="11" fill="none" stroke="var(--ink-3)" />
          {marked.has(notch.key) && (
            <path d="M2.500 6l3 3 4-6" fill="none" stroke="var(--ink)" strokeWidth="2" />
          )}
        </svg>
        <VisuallyHidden>{marked.has(notch.key) ? 'marked' : 'not marked'}</VisuallyHidden>
      </Mark>
      {columns.slice(0, WHY_AT).map(cell)}
      <Cell role="gridcell" $right={false} $closed={isClosed} $name={false} title={why}>
        {isClosed && why !== '' ? `Closed: ${why}` : why}
      </Cell>
      {columns.slice(WHY_AT).map(cell)}
    </>
  )
}

const Cell = styled.span<{ readonly $right: boolean; readonly $closed: boolean; readonly $name: boolean }>`
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: ${({ $right }) => ($right ? 'right' : 'left')};
  font-weight: ${({ $name }) => ($name ? 560 : 400)};
  color: ${({ $closed, $name }) => ($closed && !$name ? 'var(--ink-2)' : 'var(--ink)')};
`

const Mark = styled.span`
  display: grid;
  place-items: center;
  height: 100%;
`
