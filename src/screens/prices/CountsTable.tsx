'use client'

import styled from 'styled-components'

/** A table of figures under their headings, which scrolls where it is long; its first column is words. */
export const CountsTable = styled.div`
  max-height: 260px;
  overflow: auto;

  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 3px 10px 3px 0;
    text-align: right;
    font-weight: 400;
    border-top: 1px solid var(--rule);
  }
  thead th {
    border-top: 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  tr > :first-child {
    text-align: left;
  }
`
