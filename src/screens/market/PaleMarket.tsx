'use client'

import styled from 'styled-components'

/** Where the field will stand, while nothing is known yet. */
export const PaleMarket = styled.div<{ readonly height: number }>`
  height: ${({ height }) => height}px;
  border-left: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  background: repeating-linear-gradient(var(--rule) 0 1px, transparent 1px 60px);
  opacity: 0.6;
`
