'use client'

import styled from 'styled-components'
import { media } from './theme/media'

/** A view in two columns that scroll by themselves: what is looked at, and beside it what to do next; below it where it is narrow. */
export const MainAndSide = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  min-height: 0;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr) 264px;
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

export const MainColumn = styled.main.attrs({ id: 'main' })`
  min-width: 0;
  overflow: auto;
  padding: 12px 20px 20px;
  background: var(--sheet);
  ${media.compact} {
    padding: 12px 14px 16px;
  }
`

export const SideColumn = styled.aside`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  border-left: 1px solid var(--rule);
  ${media.narrow} {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
`
