'use client'

import styled from 'styled-components'

/** A heading of a part of a book, with what belongs to it beside. */
export const PartTitle = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  margin: 16px 0 4px;
  color: var(--ink-2);

  h2 {
    font-size: 16px;
    color: var(--ink);
  }
`
