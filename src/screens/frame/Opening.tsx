'use client'

import styled from 'styled-components'
import { Mark } from '../../interface/Mark'

/** Shown until the stored plan is open. */
export function Opening() {
  return (
    <Page>
      <Mark />
      <p role="status">Opening your plan…</p>
    </Page>
  )
}

const Page = styled.main.attrs({ id: 'main' })`
  display: grid;
  gap: 10px;
  justify-items: center;
  padding-top: 30vh;
  color: var(--ink-2);
`
