'use client'

import styled, { css } from 'styled-components'

/**
 * Figures that are worked out away from the page. Those that are of the plan before the last edit are marked at once,
 * with time enough for an answer that comes within a blink.
 */
export const Settling = styled.div.attrs<{ readonly $isOld: boolean }>(({ $isOld }) => ({
  'aria-busy': $isOld,
}))<{ readonly $isOld: boolean }>`
  position: relative;

  &::after {
    content: 'being worked out anew';
    position: absolute;
    top: 0;
    right: 0;
    padding: 0 4px;
    font-size: 11px;
    color: var(--ink-2);
    background: var(--sheet);
    border-left: 4px solid var(--held);
    visibility: hidden;
    ${({ $isOld }) =>
      $isOld &&
      css`
        visibility: visible;
        transition: visibility 0s 60ms;
      `}
  }
`
