'use client'

import styled from 'styled-components'
import { media } from './theme/media'

/** A plate with slots, the present one filled. In a bar its name gives way where there is little room. */
export function Mark({ isBar = false }: { readonly isBar?: boolean }) {
  return (
    <Name>
      <svg width="26" height="18" viewBox="0 0 26 18" aria-hidden="true">
        <path d="M0 4h4v5a1.5 1.5 0 0 0 3 0V4h12v3a1.5 1.5 0 0 0 3 0V4h4v14H0z" fill="var(--ink)" />
        <path d="M10.500 0h4v10a2 2 0 0 1-4 0z" fill="var(--run)" stroke="var(--sheet)" strokeWidth="1.200" />
      </svg>
      <Word $gives={isBar}>Notchgauge</Word>
    </Name>
  )
}

const Word = styled.span<{ readonly $gives: boolean }>`
  ${media.compact} {
    ${({ $gives }) => $gives && 'position: absolute; clip-path: inset(50%); width: 1px; overflow: hidden;'}
  }
`

const Name = styled.span`
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-weight: 720;
  font-stretch: 112%;
  letter-spacing: -0.01em;
  font-size: 16px;
`
