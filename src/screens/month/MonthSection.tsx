'use client'

import styled from 'styled-components'

/** A part of the month's screen, set off by a line. */
export const MonthSection = styled.section`
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
`

/** What stands beside a heading. */
export const Beside = styled.span`
  margin-left: 8px;
  font-weight: 400;
`
