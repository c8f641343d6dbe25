'use client'

import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { WHY_AT, type ShownColumn } from './listColumns.ts'
import type { ListState } from './listState.ts'

interface ListHeadProps {
  readonly columns: readonly ShownColumn[]
  readonly list: ListState
  readonly onChange: (part: Partial<ListState>) => void
}

/** A press on a head sorts by it, a second one the other way. */
export function ListHead({ columns, list, onChange }: ListHeadProps) {
  const head = ({ id, head: text, kind }: ShownColumn) => {
    const isSorted = list.sort === id
    const direction = list.descending ? 'descending' : 'ascending'
    return (
      <span key={id} role="columnheader" aria-sort={isSorted ? direction : 'none'}>
        <Sort
          $right={kind !== 'text'}
          $sorted={isSorted}
          onPress={() => onChange({ sort: id, descending: isSorted && !list.descending })}
        >
          {text}
          <span aria-hidden="true">{isSorted ? (list.descending ? ' ↓' : ' ↑') : ''}</span>
        </Sort>
      </span>
    )
  }
  return (
    <>
      <span role="columnheader">
        <VisuallyHidden>marked</VisuallyHidden>
      </span>
      {columns.slice(0, WHY_AT).map(head)}
      <span role="columnheader">fits</span>
      {columns.slice(WHY_AT).map(head)}
    </>
  )
}

const Sort = styled(AriaButton)<{ readonly $right: boolean; readonly $sorted: boolean }>`
  display: block;
  width: 100%;
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  font-size: 12px;
  font-weight: ${({ $sorted }) => ($sorted ? 620 : 400)};
  color: ${({ $sorted }) => ($sorted ? 'var(--ink)' : 'var(--ink-2)')};
  text-align: ${({ $right }) => ($right ? 'right' : 'left')};
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;

  &[data-hovered] {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
`
