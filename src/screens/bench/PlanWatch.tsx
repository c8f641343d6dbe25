'use client'

import { memo, useMemo, useState } from 'react'
import styled from 'styled-components'
import type { LeadingSurvey } from '../../core/wholePlan/leadingSurvey.ts'
import { findingText, SEVERITY_NAMES } from '../../wording/finding'
import { formatMoney } from '../../wording/money'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { Sign } from '../watch/Sign'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BenchSection, BenchTitle } from './BenchSection'
import { ShowMore } from './ShowMore'

const SHOWN = 8

/** What is open on the watch lists of all machines: by what is at stake, then by how bad it is. */
export const PlanWatch = memo(function PlanWatch({ survey }: { readonly survey: LeadingSurvey | undefined }) {
  const { state } = useWorkbench()
  const link = useLinks()
  const [most, setMost] = useState(SHOWN)
  const { machines, weeks } = state.plan
  const zones = useMemo(() => {
    const ofWeek = new Map(weeks.map(({ id, timeZone }) => [id, timeZone]))
    return new Map(machines.map(({ name, week }) => [name, ofWeek.get(week)]))
  }, [machines, weeks])
  if (!survey) return null
  const { first, count } = survey.findings
  // What is shown may be of the plan as it was a moment ago.
  const shown = first.slice(0, most).filter(({ machine }) => zones.has(machine))
  return (
    <BenchSection aria-label="Watch list of the plan" data-testid="plan-watch">
      <BenchTitle>
        Watch <small>{count === 0 ? 'nothing is open' : `${count} open, by cost at stake`}</small>
      </BenchTitle>
      <List>
        {shown.map(({ machine, currency, finding }) => {
          return (
            <li key={`${machine} ${finding.key}`}>
              <Sign severity={finding.severity} />
              <span>
                <VisuallyHidden>{SEVERITY_NAMES[finding.severity]}: </VisuallyHidden>
                <a {...link({ view: 'gauge', machine })}>{machine}</a>:{' '}
                {findingText(finding.facts, { currency, timeZone: zones.get(machine) ?? 'Etc/UTC' })}
              </span>
              <b>{finding.stake && finding.stake.n > 0n ? formatMoney(finding.stake, currency) : ''}</b>
            </li>
          )
        })}
      </List>
      <ShowMore shown={SHOWN} now={most} there={first.length} count={count} onShow={setMost} />
    </BenchSection>
  )
})

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: 16px minmax(0, 1fr) auto;
    gap: 6px;
    align-items: baseline;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  li:first-child {
    border-top: 0;
  }
  b {
    font-weight: 560;
    white-space: nowrap;
  }
`
