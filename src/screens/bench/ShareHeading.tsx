'use client'

import styled from 'styled-components'
import type { ShareOrder } from '../../core/wholePlan/foldShares.ts'
import { media } from '../../interface/theme/media'

interface HeadingProps {
  readonly order: ShareOrder
  readonly name: string
  readonly now: ShareOrder
  readonly onSort: (part: { readonly order: ShareOrder }) => void
}

/** A column's head, which sorts by it. */
export const ShareHeading = ({ order, name, now, onSort }: HeadingProps) => (
  <th scope="col" aria-sort={order === now ? (order === 'name' ? 'ascending' : 'descending') : undefined}>
    <Sort type="button" onClick={() => onSort({ order })} aria-label={`Sort by ${name}`}>
      {name}
      <span aria-hidden="true">{order === now ? (order === 'name' ? ' ▴' : ' ▾') : ''}</span>
    </Sort>
  </th>
)

const Sort = styled.button`
  padding: 3px 0;
  border: 0;
  background: none;
  font-size: 12px;
  color: var(--ink-2);
  cursor: pointer;
  ${media.coarse} {
    min-height: 44px;
  }
`
