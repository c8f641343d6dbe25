'use client'

import type { ReactNode } from 'react'
import { Button as AriaButton, Disclosure, DisclosurePanel } from 'react-aria-components'
import styled from 'styled-components'
import { media } from '../../interface/theme/media'

/** A line that opens to more. */
export const DetailsToggle = ({
  label,
  children,
}: {
  readonly label: string
  readonly children: ReactNode
}) => (
  <Disclosure>
    <Opener slot="trigger">{label}</Opener>
    <DisclosurePanel>{children}</DisclosurePanel>
  </Disclosure>
)

const Opener = styled(AriaButton)`
  padding: 1px 0;
  border: 0;
  background: none;
  font-size: 12px;
  color: var(--ink-2);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
  ${media.coarse} {
    min-height: 44px;
  }
`
