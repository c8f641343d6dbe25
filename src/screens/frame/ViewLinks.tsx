'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { VIEWS } from '../workbench/views.ts'

interface ViewLinksProps {
  readonly label: string
  readonly views: readonly (typeof VIEWS)[number][]
  /** The machine that they are of; undefined for views of the whole plan. */
  readonly machine: string | undefined
}

/** From one view to another. */
export function ViewLinks({ label, views, machine }: ViewLinksProps) {
  const { address } = useWorkbench()
  const link = useLinks()
  return (
    <Links aria-label={label}>
      {views.map(({ id, name }) => (
        <ViewLink
          key={id}
          {...link({ view: id, machine })}
          aria-current={id === address.view ? 'page' : undefined}
        >
          {name}
        </ViewLink>
      ))}
    </Links>
  )
}

const Links = styled.nav`
  display: flex;
`

const ViewLink = styled.a`
  padding: 5px 6px;
  color: var(--ink-2);
  text-decoration: none;
  white-space: nowrap;
  border-bottom: 3px solid transparent;

  &[aria-current] {
    color: var(--ink);
    font-weight: 600;
    border-bottom-color: var(--ink);
  }
  ${media.forced} {
    &:not([aria-current]) {
      border-bottom-color: Canvas;
    }
  }
  ${media.coarse} {
    padding: 13px 12px;
  }
`
