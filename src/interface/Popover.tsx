'use client'

import { Popover as AriaPopover } from 'react-aria-components'
import styled from 'styled-components'

export const Popover = styled(AriaPopover)`
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-radius: 3px;
  outline: none;
  overflow: auto;
`
