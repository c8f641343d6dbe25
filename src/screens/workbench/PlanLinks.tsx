'use client'

import styled from 'styled-components'
import { media } from '../../interface/theme/media'
import { PLAN_VIEWS, type PlanView } from './address'
import { useLinks } from './useLinks.ts'
import { useWorkbench } from './WorkbenchContext'

const NAMES = { bench: 'Bench', 'hand-off': 'Hand-off' } as const satisfies Record<PlanView, string>

/** The views of the whole plan. */
export function PlanLinks() {
  const { address } = useWorkbench()
  const link = useLinks()
  return (
    <Links aria-label="Views of the plan">
      {PLAN_VIEWS.map((view) => {
        return (
          <PlanLink
            key={view}
            {...link({ view, machine: undefined })}
            aria-current={view === address.view ? 'page' : undefined}
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
