'use client'

import styled, { css } from 'styled-components'
import { Settling } from '../../interface/Settling'

const setOff = css`
  margin-top: 16px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
`

/** A part of the bench, set off by a line from what stands above it. */
export const BenchSection = styled.section`
  ${setOff}
  &:first-child {
    margin-top: 0;
    padding-top: 0;
    border-top: 0;
  }
  ${Settling}:not(:first-child) > &:first-child {
    ${setOff}
  }
`

/** What the screen's parts are called. */
export const BenchTitle = styled.h2`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
  font-size: 16px;
  font-weight: 640;
  color: var(--ink);

  & > button {
    font-size: 13px;
    font-weight: 400;
    color: var(--ink-2);
  }
  small {
    font-size: 12px;
    font-weight: 400;
    color: var(--ink-2);
  }
`
