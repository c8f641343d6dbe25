'use client'

import styled from 'styled-components'
import { focusMain } from './focusMain.ts'

/** The first stop of the keyboard: past the bars to what the page is about. */
export const SkipLink = () => (
  <Link
    href="#main"
    onClick={(event) => {
      event.preventDefault()
      focusMain()
    }}
  >
    Skip to the main part
  </Link>
)

const Link = styled.a`
  position: absolute;
  left: 8px;
  top: -60px;
  z-index: 20;
  padding: 12px 12px;
  background: var(--sheet);
  color: var(--ink);
  border: 2px solid var(--ink);

  &:focus {
    top: 4px;
  }
`
