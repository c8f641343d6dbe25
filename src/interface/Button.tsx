'use client'

import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { media } from './theme/media'

export const Button = styled(AriaButton)`
  min-width: 26px;
  min-height: 28px;
  padding: 3px 11px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;
  white-space: nowrap;

  &[data-hovered] {
    border-color: var(--ink-2);
  }
  &[data-pressed] {
    background: var(--plate);
  }
  &[data-disabled] {
    color: var(--ink-3);
    border-color: var(--rule);
    cursor: default;
  }
  ${media.coarse} {
    min-width: 44px;
    min-height: 44px;
  }
`

/** A button without a frame, for bars and lists. */
export const QuietButton = styled(Button)`
  border-color: transparent;
  background: transparent;
  padding: 3px 7px;

  &[data-disabled] {
    border-color: transparent;
  }
`
