'use client'

import styled from 'styled-components'

/** A plate with slots, the present one filled. */
export function Mark() {
  return (
    <Name>
      <svg width="26" height="18" viewBox="0 0 26 18" aria-hidden="true">
        <path d="M0 4h4v5a1.5 1.5 0 0 0 3 0V4h12v3a1.5 1.5 0 0 0 3 0V4h4v14H0z" fill="var(--ink)" />
        <path d="M10.500 0h4v10a2 2 0 0 1-4 0z" fill="var(--run)" stroke="var(--sheet)" strokeWidth="1.200" />
      </svg>
      Notchgauge
    </Name>
  )
}

const Name = styled.span`
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-weight: 720;
  font-stretch: 112%;
  letter-spacing: -0.01em;
  font-size: 16px;
`
