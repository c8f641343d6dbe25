'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'

/** The whole view, where there is nothing to compare. */
export const BillPage = styled.main.attrs({ id: 'main' })`
  padding: 12px 20px 20px;
  overflow: auto;
  background: var(--sheet);
`

/** One thing at a time, in the middle. */
export const BillPlace = styled.div<{ readonly $wide?: boolean }>`
  display: grid;
  gap: 12px;
  width: 100%;
  max-width: ${({ $wide }) => ($wide ? 1360 : 720)}px;
  margin: 6vh auto 0;
  ${media.narrow} {
    margin-top: 16px;
  }
`

export const BillLine = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
`

/** Names at the left, figures at the right. */
export const BillTable = styled.table`
  border-collapse: collapse;

  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 3px 12px 3px 0;
    overflow-wrap: anywhere;
  }
  td[data-figure],
  th[data-figure] {
    text-align: right;
    white-space: nowrap;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  tbody th {
    font-weight: 600;
  }
`
