'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'
import { PLAN_VIEWS, writeAddress, type PlanView } from './address'
import { useWorkbench } from './WorkbenchContext'

const NAMES = { bench: 'Bench', 'hand-off': 'Hand-off' } as const satisfies Record<PlanView, string>

/** The views of the whole plan. */
export function PlanLinks() {
  const { address, go } = useWorkbench()
  return (
    <Links aria-label="Views of the plan">
      {PLAN_VIEWS.map((view) => {
        const target = { ...address, view, machine: undefined }
        return (
          <PlanLink
            key={view}
            href={writeAddress(target)}
            aria-current={view === address.view ? 'page' : undefined}
            onClick={(event) => {
              // With a key held the browser opens another tab or window, as for any link.
              if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return
              event.preventDefault()
              go(target)
            }}
          >
            {NAMES[view]}
          </PlanLink>
        )
      })}
    </Links>
  )
}

const Links = styled.nav`
  display: flex;
`

const PlanLink = styled.a`
  padding: 5px 7px;
  color: var(--ink-2);
  text-decoration: none;
  white-space: nowrap;
  border-bottom: 3px solid transparent;

  &[aria-current] {
    color: var(--ink);
    font-weight: 600;
    border-bottom-color: var(--ink);
  }
  ${media.coarse} {
    padding: 13px 10px;
  }
`
